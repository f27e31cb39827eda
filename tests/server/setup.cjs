/** The thread that reads files of strangers begins with a program of its own. */
module.exports = () =>
  require('esbuild').buildSync({
    entryPoints: ['src/workers/strangers.ts'],
    bundle: true,
    platform: 'node',
    format: 'cjs',
    outfile: '.workers/strangers.cjs',
    logLevel: 'error',
  });

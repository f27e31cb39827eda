import { parseDose } from './dose';
import { parsePattern } from './parse';

/**
 * Parts a line in which somebody wrote the dose behind the pattern.
 * @returns the pattern's text, and the dose's where there is one
 * @example apart('4:4 for 5 minutes') // { pattern: '4:4', dose: '5 minutes' }
 */
export function apart(line: string): { readonly pattern: string; readonly dose: string | null } {
  const at = line.search(/\sfor\s(?!.*\sfor\s)/i);
  // Where stages are written, what stands behind the last one is how long it lasts.
  if (at < 0 || /[>→]/.test(line)) return { pattern: line, dose: null };
  const [pattern, dose] = [line.slice(0, at), line.slice(at + 5)];
  return parsePattern(pattern).ok && parseDose(dose).ok ? { pattern, dose: dose.trim() } : { pattern: line, dose: null };
}

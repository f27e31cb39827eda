import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/literata';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import '@/ui/look/look.css';
import { Look } from '@/ui/look/Look';

export const metadata: Metadata = {
  title: { default: 'Oaken Ladder', template: '%s · Oaken Ladder' },
  description: 'Breathwork courses, planned up the ladder.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

const WAITS = `addEventListener('submit',function(e){var f=e.target;if(f.dataset.waits!==undefined&&!f.oakenAwake){e.preventDefault();f.oakenPressed=true}},true)`;

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const scheme = (await cookies()).get('oaken-scheme')?.value === 'dark' ? 'dark' : 'light';
  return (
    <html lang="en" data-scheme={scheme} suppressHydrationWarning>
      <body>
        {/* What is pressed before its page is awake waits until it is (ui/forms/Form.tsx). */}
        <script nonce={nonce} dangerouslySetInnerHTML={{ __html: WAITS }} />
        <AppRouterCacheProvider options={{ enableCssLayer: true, nonce }}>
          <Look>{children}</Look>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}

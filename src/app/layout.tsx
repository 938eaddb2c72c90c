import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import '@/ui/theme/tokens.css';
import '@/ui/theme/base.css';
import InitColorSchemeScript from '@mui/material/InitColorSchemeScript';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Bell } from '@/features/batches/bell/Bell';
import { Find } from '@/features/find/Find';
import { houseView } from '@/features/household/queries';
import { HatchDefs } from '@/ui/badges/hatch-defs';
import { EARLY } from '@/ui/early';
import { CatchUp } from '@/ui/CatchUp';
import { Arrival } from '@/ui/Arrival';
import { NotSecure } from '@/ui/NotSecure';
import { Rail } from '@/ui/Rail';
import { SettingUp } from '@/ui/setup/SettingUp';
import { SetupProvider } from '@/ui/setup/setup';
import { Theme } from '@/ui/theme/Theme';
import { UnitsProvider } from '@/ui/units';

export const metadata: Metadata = {
  title: { default: 'Hodman', template: '%s · Hodman' },
  description: 'From how much each dog needs to what comes out of the freezer tonight.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function Layout({ children }: { children: ReactNode }) {
  // Made at every request: nothing of the household is known while the application is built, and scripts carry this answer's nonce.
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const house = await houseView();
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <InitColorSchemeScript attribute="[data-mode='%s']" nonce={nonce} />
        <script nonce={nonce} dangerouslySetInnerHTML={{ __html: EARLY }} />
        <AppRouterCacheProvider options={{ enableCssLayer: true, ...(nonce ? { nonce } : {}) }}>
          <Theme>
            <UnitsProvider set={house.set}>
              <SetupProvider steps={house.setup}>
                <HatchDefs />
                <Rail>
                  <Find />
                </Rail>
                <SettingUp />
                <Bell />
                <Arrival />
                <NotSecure />
                <main>{children}</main>
                <CatchUp />
              </SetupProvider>
            </UnitsProvider>
          </Theme>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}

import '@fontsource-variable/public-sans';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import Alert from '@mui/material/Alert';
import { StrictMode, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import { Boundary } from '../ui/components/boundary';
import { dataAreNewer } from '../application/stores/browser';
import { joinWindows } from '../application/stores/windows';
import { keepApplication } from '../application/stores/updates';
import { Notices } from '../ui/components/notices';
import { HomeScreen } from '../ui/screens/home/home-screen';
import { theme } from '../ui/theme/theme';
import '../ui/theme/theme.css';
import { DemoRoute } from './demo-route';
import { AthleteRoute, KeptRoute, SessionRoute } from './page-routes';
import { TEXT } from '../text/app';

// The server allows only styles that carry this page's nonce.
const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;
const cache = createCache({ key: 'falcon', nonce });

function App(): ReactNode {
  return (
    <Boundary what={TEXT.thisPage}>
      <BrowserRouter>
        <Routes>
          <Route path="/" element={<HomeScreen />} />
          <Route path="/demo/:which?" element={<DemoRoute />} />
          <Route path="/kept" element={<KeptRoute />} />
          <Route path="/s/:id/:step?" element={<SessionRoute />} />
          <Route path="/athlete/:key" element={<AthleteRoute />} />
          <Route path="*" element={<HomeScreen />} />
        </Routes>
      </BrowserRouter>
    </Boundary>
  );
}

const NEWER = TEXT.newerVersionOfApplicationHas;

/** So long after the start nobody waits for the first page any more, ms. */
const SETTLED = 2000;

async function start(): Promise<void> {
  const refused = await dataAreNewer();
  if (!refused) joinWindows();
  keepApplication();
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <CacheProvider value={cache}>
        <ThemeProvider theme={theme}>
          <CssBaseline />
          {refused ? (
            <main className="page">
              <Alert severity="warning">{NEWER}</Alert>
            </main>
          ) : (
            <App />
          )}
          <Notices />
        </ThemeProvider>
      </CacheProvider>
    </StrictMode>,
  );
  if (!refused) setTimeout(() => void import('./working'), SETTLED);
}

void start();

import '@fontsource-variable/public-sans';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import { keepSaved } from '../state/document-store';
import { Boundary } from '../ui/components/boundary';
import { joinWindows } from '../state/use-cases';
import { Notices } from '../ui/components/notices';
import { HomeScreen } from '../ui/screens/home/home-screen';
import { theme } from '../ui/theme/theme';
import '../ui/theme/theme.css';
import { DemoRoute } from './demo-route';
import { SessionRoute } from './session-route';

// The server allows only styles that carry this page's nonce.
const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;
const cache = createCache({ key: 'falcon', nonce });
keepSaved();
joinWindows();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <CacheProvider value={cache}>
      <ThemeProvider theme={theme}>
        <CssBaseline />
        <Boundary what="This page">
          <BrowserRouter>
            <Routes>
              <Route path="/" element={<HomeScreen />} />
              <Route path="/demo/:which?" element={<DemoRoute />} />
              <Route path="/s/:id/:step?" element={<SessionRoute />} />
              <Route path="*" element={<HomeScreen />} />
            </Routes>
          </BrowserRouter>
        </Boundary>
        <Notices />
      </ThemeProvider>
    </CacheProvider>
  </StrictMode>,
);

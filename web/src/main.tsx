import '@fontsource/atkinson-hyperlegible-next/400.css';
import '@fontsource/atkinson-hyperlegible-next/700.css';
import '@fontsource/atkinson-hyperlegible-mono/400.css';
import '@fontsource/atkinson-hyperlegible-mono/700.css';
import './theme/nought/nought.css';
import { createRoot } from 'react-dom/client';
import { settled } from './api/studio.ts';
import { App } from './App.tsx';

createRoot(document.getElementById('root')!).render(<App />);

/** After what is looked at first: nothing of it is needed to draw a page. */
const LATER_MS = 3000;
const sendLater = (): void => {
  setTimeout(() => {
    import('./stores/keepSending.ts').then(({ keepSending }) => keepSending(), sendLater);
  }, LATER_MS);
};
void settled.then(sendLater);

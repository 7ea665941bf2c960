import './no-eval.ts';
import './english.ts';
import '@fontsource/atkinson-hyperlegible-next/400.css';
import '@fontsource/atkinson-hyperlegible-next/700.css';
import '@fontsource/bricolage-grotesque/700.css';
import './styles/main.scss';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { askEarly } from './api.ts';
import { createEscalierRouter } from './router.ts';
import { shortDate } from './ui/dates.ts';
import { useMishaps } from './ui/mishaps.ts';

function start(): void {
  const app = createApp(App).use(createPinia()).use(createEscalierRouter());
  const mishaps = useMishaps();
  app.config.errorHandler = (error) => {
    console.error(error);
    mishaps.report(error);
  };
  addEventListener('error', ({ error }) => mishaps.report(error));
  addEventListener('unhandledrejection', ({ reason }) => mishaps.report(reason));
  app.mount('#app');
}
askEarly(location.pathname);
// The first date that a browser writes makes it load its tables: while the school's answer is on its way.
setTimeout(() => shortDate('2000-01-01'));
// Reading the script and drawing the first screen are two turns: a small device may answer in between.
setTimeout(start);

const SETTLED_MS = 4000;

/** The whole application comes to the device for offline use when the first screen has had the network to itself. */
function registerServiceWorker(): void {
  if (!('serviceWorker' in navigator)) return;
  setTimeout(() => void navigator.serviceWorker.register('/sw.js').catch(() => undefined), SETTLED_MS);
}
if (document.readyState === 'complete') registerServiceWorker();
else addEventListener('load', registerServiceWorker);

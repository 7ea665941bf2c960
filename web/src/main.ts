import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import './styles/main.scss';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { askEarly } from './api.ts';
import { createEscalierRouter } from './router.ts';
import { useMishaps } from './ui/mishaps.ts';

askEarly(location.pathname);
const app = createApp(App).use(createPinia()).use(createEscalierRouter());
const mishaps = useMishaps();
app.config.errorHandler = (error) => {
  console.error(error);
  mishaps.report(error);
};
addEventListener('error', ({ error }) => mishaps.report(error));
addEventListener('unhandledrejection', ({ reason }) => mishaps.report(reason));
app.mount('#app');

const SETTLED_MS = 4000;

/** The whole application comes to the device for offline use when the first screen has had the network to itself. */
function registerServiceWorker(): void {
  if (!('serviceWorker' in navigator)) return;
  setTimeout(() => void navigator.serviceWorker.register('/sw.js').catch(() => undefined), SETTLED_MS);
}
if (document.readyState === 'complete') registerServiceWorker();
else addEventListener('load', registerServiceWorker);

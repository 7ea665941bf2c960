import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import './styles/main.scss';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { createEscalierRouter } from './router.ts';

createApp(App).use(createPinia()).use(createEscalierRouter()).mount('#app');

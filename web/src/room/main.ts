import '../no-eval.ts';
import '../english.ts';
import '@fontsource/atkinson-hyperlegible-next/400.css';
import '@fontsource/atkinson-hyperlegible-next/700.css';
import '@fontsource/bricolage-grotesque/700.css';
import '../styles/main.scss';
import { createApp } from 'vue';
import RoomApp from './RoomApp.vue';
import { createRoomRouter } from './router.ts';
import { takeTokenFrom } from './use-room.ts';

// The secret of the slip leaves the address at once: whoever looks at the screen or the history sees nothing.
if (takeTokenFrom(location.hash)) history.replaceState(null, '', '/room/');
createApp(RoomApp).use(createRoomRouter()).mount('#app');

const SETTLED_MS = 4000;
addEventListener('load', () => {
  if (!('serviceWorker' in navigator)) return;
  setTimeout(
    () => void navigator.serviceWorker.register('/room/sw.js', { scope: '/room/' }).catch(() => undefined),
    SETTLED_MS,
  );
});

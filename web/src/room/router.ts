import { createRouter, createWebHistory } from 'vue-router';
import TodayPage from './TodayPage.vue';
import { t } from './messages.ts';

export const ROOM_PAGES = [
  { name: 'today', path: '/', label: t('router.today') },
  { name: 'tunes', path: '/tunes', label: t('router.tunes') },
  { name: 'notes', path: '/notes', label: t('router.notes') },
  { name: 'rhythm', path: '/rhythm', label: t('router.rhythm') },
  { name: 'answers', path: '/answers', label: t('router.teacher') },
] as const;

export function createRoomRouter() {
  return createRouter({
    history: createWebHistory('/room/'),
    scrollBehavior: () => ({ top: 0 }),
    routes: [
      { path: '/', name: 'today', component: TodayPage },
      { path: '/tunes', name: 'tunes', component: () => import('./TunesPage.vue') },
      { path: '/tunes/:number(\\d+)', name: 'tune', component: () => import('./TunePage.vue'), props: true },
      { path: '/notes', name: 'notes', component: () => import('./NotesPage.vue') },
      { path: '/rhythm', name: 'rhythm', component: () => import('./RhythmPage.vue') },
      { path: '/answers', name: 'answers', component: () => import('./AnswersPage.vue') },
      { path: '/families', name: 'families', component: () => import('./FamiliesPage.vue') },
      { path: '/:rest(.*)', redirect: '/' },
    ],
  });
}

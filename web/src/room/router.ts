import { createRouter, createWebHistory } from 'vue-router';
import TodayPage from './TodayPage.vue';

export const ROOM_PAGES = [
  { name: 'today', path: '/', label: 'Today' },
  { name: 'tunes', path: '/tunes', label: 'Tunes' },
  { name: 'notes', path: '/notes', label: 'Notes' },
  { name: 'rhythm', path: '/rhythm', label: 'Rhythm' },
  { name: 'answers', path: '/answers', label: 'Teacher' },
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

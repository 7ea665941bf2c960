import { createRouter, createWebHistory, type RouteLocationNormalized, type Router } from 'vue-router';
import { whenSignedOut } from './api.ts';
import { useSession } from './features/schools/index.ts';

function numberParam(route: RouteLocationNormalized, name: string): number {
  return Number(route.params[name]);
}

/** One page, one question. Pages load when they are first opened. */
export function createEscalierRouter(): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', redirect: '/classes' },
      {
        path: '/sign-in',
        name: 'sign-in',
        component: () => import('./features/schools/SignInPage.vue'),
        meta: { title: 'Sign in', open: true },
      },
      {
        path: '/classes',
        name: 'classes',
        component: () => import('./features/classes/ClassesPage.vue'),
        meta: { title: 'Classes' },
      },
      {
        path: '/classes/:classId',
        name: 'class',
        component: () => import('./features/classes/ClassPage.vue'),
        props: true,
        meta: { title: 'Class' },
      },
      {
        path: '/classes/:classId/steps/:position(\\d+)',
        name: 'step',
        component: () => import('./features/tunes/TunePage.vue'),
        props: (route) => ({ classId: String(route.params.classId), position: numberParam(route, 'position') }),
        meta: { title: 'Step' },
      },
      {
        path: '/tunes',
        name: 'tunes',
        component: () => import('./features/tunes/LibraryPage.vue'),
        meta: { title: 'Tunes' },
      },
      {
        path: '/tunes/new',
        name: 'new-tune',
        component: () => import('./features/tunes/EditPage.vue'),
        props: { tuneId: null },
        meta: { title: 'Bring a tune' },
      },
      {
        path: '/tunes/:tuneId',
        name: 'tune',
        component: () => import('./features/tunes/TunePage.vue'),
        props: (route) => ({
          tuneId: String(route.params.tuneId),
          classId: typeof route.query.class === 'string' ? route.query.class : null,
        }),
        meta: { title: 'Tune' },
      },
      {
        path: '/tunes/:tuneId/edit',
        name: 'edit-tune',
        component: () => import('./features/tunes/EditPage.vue'),
        props: true,
        meta: { title: 'Edit a tune' },
      },
      {
        path: '/classes/:classId/notes/:note?',
        name: 'note',
        component: () => import('./features/notes/NoteLessonPage.vue'),
        props: (route) => ({
          classId: String(route.params.classId),
          note: typeof route.params.note === 'string' && route.params.note !== '' ? route.params.note : null,
        }),
        meta: { title: 'A note' },
      },
      {
        path: '/fingerings',
        name: 'fingerings',
        component: () => import('./features/notes/FingeringsPage.vue'),
        meta: { title: 'Fingerings' },
      },
      {
        path: '/classes/:classId/hear/:pupilId?',
        name: 'hear',
        component: () => import('./features/hearing/HearingPage.vue'),
        props: true,
        meta: { title: 'Hearing' },
      },
      {
        path: '/:rest(.*)*',
        name: 'lost',
        component: () => import('./ui/LostPage.vue'),
        meta: { title: 'No such page', open: true },
      },
    ],
  });
  guard(router);
  return router;
}

function guard(router: Router): void {
  router.beforeEach(async (to) => {
    const session = useSession();
    await session.load();
    if (session.me === null && to.meta.open !== true) return { name: 'sign-in', query: { to: to.fullPath } };
    if (session.me !== null && to.name === 'sign-in') return { name: 'classes' };
    return true;
  });
  router.afterEach((to) => {
    document.title = `${String(to.meta.title)} · Escalier`;
  });
  whenSignedOut(() => {
    const session = useSession();
    if (session.me === null) return;
    session.forget();
    void router.push({ name: 'sign-in', query: { to: router.currentRoute.value.fullPath } });
  });
}

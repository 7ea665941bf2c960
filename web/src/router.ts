import {
  createRouter,
  createWebHistory,
  type RouteLocationNormalized,
  type Router,
  type RouteRecordRaw,
} from 'vue-router';
import { whenSignedOut } from './api.ts';
import { useSession } from './features/schools/index.ts';

function numberParam(route: RouteLocationNormalized, name: string): number {
  return Number(route.params[name]);
}

/** The desks of the school's room. */
function schoolRoutes(): RouteRecordRaw[] {
  const desk = (name: string, path: string, title: string, component: () => Promise<unknown>): RouteRecordRaw => ({
    path: `/school/${path}`,
    name,
    component,
    meta: { title, teaches: name !== 'account' },
  });
  return [
    { path: '/school', redirect: { name: 'terms' } },
    desk('terms', 'calendar', 'Calendar', () => import('./features/calendar/TermsPage.vue')),
    desk('instruments', 'instruments', 'Instruments', () => import('./features/instruments/InstrumentsPage.vue')),
    desk('belts', 'belts', 'Belts', () => import('./features/instruments/BeltsPage.vue')),
    desk('cautions', 'cautions', 'Cautions', () => import('./features/schools/CautionsPage.vue')),
    desk('remarks', 'remarks', 'Remarks', () => import('./features/schools/RemarksPage.vue')),
    desk('people', 'people', 'People', () => import('./features/schools/PeoplePage.vue')),
    desk('safe', 'records', 'Records', () => import('./features/schools/SafePage.vue')),
    desk('account', 'account', 'My account', () => import('./features/schools/AccountPage.vue')),
    {
      path: '/first-run',
      name: 'first-run',
      component: () => import('./features/schools/FirstRunPage.vue'),
      meta: { title: 'Set up', open: true },
    },
    {
      path: '/invitation/:token',
      name: 'invitation',
      component: () => import('./features/schools/InvitedPage.vue'),
      props: true,
      meta: { title: 'Invitation', open: true },
    },
  ];
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
        path: '/classes/new',
        name: 'new-class',
        component: () => import('./features/classes/ClassSettingsPage.vue'),
        props: { classId: null },
        meta: { title: 'A new class', teaches: true },
      },
      {
        path: '/classes/:classId/settings',
        name: 'class-settings',
        component: () => import('./features/classes/ClassSettingsPage.vue'),
        props: true,
        meta: { title: 'Settings', teaches: true },
      },
      {
        path: '/classes/:classId/pupils',
        name: 'pupils',
        component: () => import('./features/pupils/PupilsPage.vue'),
        props: true,
        meta: { title: 'Pupils', teaches: true },
      },
      ...schoolRoutes(),
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
        path: '/classes/:classId/board',
        name: 'board',
        component: () => import('./features/progress/BoardPage.vue'),
        props: true,
        meta: { title: 'Board' },
      },
      {
        path: '/classes/:classId/trends',
        name: 'trends',
        component: () => import('./features/progress/TrendsPage.vue'),
        props: true,
        meta: { title: 'Trends' },
      },
      {
        path: '/classes/:classId/pupils/:pupilId',
        name: 'pupil',
        component: () => import('./features/progress/PupilPage.vue'),
        props: true,
        meta: { title: 'Pupil' },
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
    // The page's code comes while the school is asked who is signed in.
    for (const { components } of to.matched) {
      const page = components?.default;
      if (typeof page === 'function') void (page as () => Promise<unknown>)().catch(() => undefined);
    }
    await session.load();
    if (session.me === null && to.meta.open !== true) return { name: 'sign-in', query: { to: to.fullPath } };
    if (session.me !== null && to.name === 'sign-in') return { name: 'classes' };
    if (to.meta.teaches === true && !session.mayTeach) return { name: 'classes' };
    return true;
  });
  router.afterEach((to) => {
    document.title = `${String(to.meta.title)} · Escalier`;
  });
  whenSignedOut(() => {
    void useSession().ended(router.currentRoute.value.fullPath);
  });
}

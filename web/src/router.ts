import {
  createRouter,
  createWebHistory,
  type RouteLocationNormalized,
  type RouteMeta,
  type Router,
  type RouteRecordRaw,
} from 'vue-router';
import { whenSignedOut } from './api.ts';
import { useSession } from './features/schools/index.ts';
import { t } from './messages.ts';

declare module 'vue-router' {
  interface RouteMeta {
    readonly title: string;
    /** Needs no session. */
    readonly open?: boolean;
    /** For teachers and owners only. */
    readonly teaches?: boolean;
    /** Fills the window: no rail beside it. */
    readonly bare?: boolean;
    /** The keys of the page, for the help on "?". */
    readonly keys?: readonly (readonly [key: string, does: string])[];
  }
}

function text(route: RouteLocationNormalized, name: string): string {
  const value = route.params[name];
  return typeof value === 'string' ? value : '';
}

const PLAY_KEYS = [['Space', t('router.play-and-stop')]] as const;
const TUNE_KEYS = [
  ...PLAY_KEYS,
  ['↑ ↓', t('router.faster-and-slower')],
  ['T', t('router.tap-a-tempo')],
  ['M, B, C, L', t('router.melody-backing-click-loop')],
  ['N', t('router.the-next-piece-from-the-first')],
] as const;
const HEARING_KEYS = [
  ['1', t('router.passed')],
  ['2', t('router.nearly')],
  ['3', t('router.not-yet')],
  ['S', t('router.skip-to-the-next-pupil')],
  ['A', t('router.away-today')],
  ['U', t('router.undo')],
] as const;
const RECORDING_KEYS = [
  ...PLAY_KEYS,
  ['→', t('router.the-next-place-to-hear-again')],
  ['←', t('router.the-place-before')],
  ['S', t('router.slower-at-the-same-pitch')],
  ['M', t('router.how-it-should-sound')],
  ['1, 2, 3', t('router.passed-nearly-not-yet')],
  ['N', t('router.the-next-recording')],
] as const;
const BOARD_KEYS = [
  ['Arrows', t('router.move-from-cell-to-cell')],
  ['Enter', t('router.open-a-cell')],
  ['Space', t('router.mark-a-cell')],
  [t('router.shift-arrow'), t('router.mark-several-cells')],
] as const;
const STAIRCASE_KEYS = [
  [t('router.ctrl-z'), t('router.undo')],
  [t('router.ctrl-shift-z'), t('router.redo')],
  [t('router.on-a-handle'), t('router.move-a-step')],
  [t('router.on-an-edge'), t('router.fewer-or-more-lessons')],
] as const;
const NOTE_KEYS = [
  [t('router.1-to-5-2'), t('router.go-to-a-part-of-the')],
  ['← →', t('router.back-and-next')],
  ['B', t('router.fill-the-screen-and-back')],
  ...PLAY_KEYS,
] as const;

const LESSON_KEYS = [
  ['→', t('router.next')],
  ['←', t('router.back')],
  ...PLAY_KEYS,
  ['↑ ↓', t('router.faster-and-slower')],
  [t('router.1-to-9-2'), t('router.a-rung-of-the-practice-ladder')],
  ['R, S', t('router.again-skip')],
  ['M, B, C, L', t('router.melody-backing-click-loop')],
  ['Q', t('router.quiet-please')],
  ['F', t('router.full-screen')],
] as const;

/** Outside the school: signing in, the first start, an invitation. */
function doorRoutes(): RouteRecordRaw[] {
  return [
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./features/schools/SignInPage.vue'),
      meta: { title: t('router.sign-in'), open: true },
    },
    {
      path: '/first-run',
      name: 'first-run',
      component: () => import('./features/schools/FirstRunPage.vue'),
      meta: { title: t('router.set-up'), open: true },
    },
    {
      path: '/invitation/:token',
      name: 'invitation',
      component: () => import('./features/schools/InvitedPage.vue'),
      props: true,
      meta: { title: t('router.invitation'), open: true },
    },
  ];
}

/** The pages of the school. */
function schoolRoutes(): RouteRecordRaw[] {
  const page = (name: string, title: string, component: () => Promise<unknown>): RouteRecordRaw => ({
    path: `/school/${name}`,
    name,
    component,
    meta: { title, teaches: name !== 'account' },
  });
  return [
    { path: '/school', redirect: { name: 'calendar' } },
    { path: '/school/settings', redirect: { name: 'cautions' } },
    page('calendar', t('router.calendar'), () => import('./features/calendar/TermsPage.vue')),
    page('instruments', t('router.instruments'), () => import('./features/instruments/InstrumentsPage.vue')),
    page('belts', t('router.belts'), () => import('./features/instruments/BeltsPage.vue')),
    page('cautions', t('router.cautions'), () => import('./features/schools/CautionsPage.vue')),
    page('remarks', t('router.remarks'), () => import('./features/schools/RemarksPage.vue')),
    page('details', t('router.school-details'), () => import('./features/schools/DetailsPage.vue')),
    page('people', t('router.people'), () => import('./features/schools/PeoplePage.vue')),
    page('data', t('router.data'), () => import('./features/schools/DataPage.vue')),
    page('account', t('router.my-account'), () => import('./features/schools/AccountPage.vue')),
  ];
}

/** Staircases: those there are, one being changed, a new one, two beside each other. */
function staircaseRoutes(): RouteRecordRaw[] {
  const page = (name: string, path: string, title: string, component: () => Promise<unknown>): RouteRecordRaw => ({
    path: `/staircases${path}`,
    name,
    component,
    props: true,
    meta: { title, teaches: true },
  });
  return [
    page('staircases', '', t('router.staircases'), () => import('./features/staircase/StaircasesPage.vue')),
    page('make-staircase', '/new', t('router.make-a-staircase'), () => import('./features/staircase/MakePage.vue')),
    page(
      'compare-staircases',
      '/compare',
      t('router.compare-staircases'),
      () => import('./features/staircase/ComparePage.vue'),
    ),
    page('poster', '/:staircaseId/poster', t('router.poster'), () => import('./features/staircase/PosterPage.vue')),
    {
      ...page(
        'staircase',
        '/:staircaseId',
        t('router.a-staircase'),
        () => import('./features/staircase/StaircasePage.vue'),
      ),
      meta: { title: t('router.a-staircase'), teaches: true, keys: STAIRCASE_KEYS },
    },
  ];
}

/** The pages of one class. */
function classRoutes(): RouteRecordRaw[] {
  const page = (name: string, path: string, component: () => Promise<unknown>, meta: RouteMeta): RouteRecordRaw => ({
    path: `/classes/:classId${path}`,
    name,
    component,
    props: true,
    meta,
  });
  return [
    page('class', '', () => import('./features/classes/ClassPage.vue'), {
      title: t('router.stairs'),
      keys: [['H', t('router.hear-the-next-pupil')]],
    }),
    page('today', '/today', () => import('./features/lesson/TodayPage.vue'), {
      title: t('router.today'),
      teaches: true,
    }),
    page('substitute', '/today/substitute', () => import('./features/lesson/SubstitutePage.vue'), {
      title: t('router.for-a-substitute'),
      teaches: true,
    }),
    page('cards', '/today/cards', () => import('./features/lesson/CardsPage.vue'), {
      title: t('router.rhythm-cards'),
      teaches: true,
    }),
    page('lesson', '/lesson', () => import('./features/lesson/RunnerPage.vue'), {
      title: t('router.lesson'),
      teaches: true,
      bare: true,
      keys: LESSON_KEYS,
    }),
    page('projector', '/projector', () => import('./features/lesson/ProjectorPage.vue'), {
      title: t('router.for-the-class'),
      teaches: true,
      bare: true,
    }),
    page('plan', '/plan', () => import('./features/classes/PlanPage.vue'), { title: t('router.plan') }),
    page('class-settings', '/settings', () => import('./features/classes/ClassSettingsPage.vue'), {
      title: t('router.settings'),
      teaches: true,
    }),
    page('pupils', '/pupils', () => import('./features/pupils/PupilsPage.vue'), {
      title: t('router.pupils'),
      teaches: true,
    }),
    page('pupil', '/pupils/:pupilId', () => import('./features/progress/PupilPage.vue'), { title: t('router.pupil') }),
    page('hear', '/hear/:pupilId?', () => import('./features/hearing/HearingPage.vue'), {
      title: t('router.hearing'),
      keys: HEARING_KEYS,
    }),
    page('recordings', '/recordings', () => import('./features/recordings/RecordingsPage.vue'), {
      title: t('router.recordings'),
    }),
    page('recording', '/recordings/:recordingId', () => import('./features/recordings/RecordingPage.vue'), {
      title: t('router.a-recording'),
      keys: RECORDING_KEYS,
    }),
    page('room', '/room', () => import('./features/home/RoomPage.vue'), {
      title: t('router.practice-room'),
      teaches: true,
    }),
    page('handouts', '/handouts', () => import('./features/handouts/HandoutsPage.vue'), {
      title: t('router.handouts'),
      teaches: true,
    }),
    page('board', '/board', () => import('./features/progress/BoardPage.vue'), {
      title: t('router.board'),
      keys: BOARD_KEYS,
    }),
    page('trends', '/trends', () => import('./features/progress/TrendsPage.vue'), { title: t('router.trends') }),
    {
      path: '/classes/:classId/steps/:position(\\d+)',
      name: 'step',
      component: () => import('./features/tunes/TunePage.vue'),
      props: (route) => ({ classId: text(route, 'classId'), position: Number(text(route, 'position')) }),
      meta: { title: t('router.step'), keys: TUNE_KEYS },
    },
    {
      path: '/classes/:classId/notes/:note?',
      name: 'note',
      component: () => import('./features/notes/NoteLessonPage.vue'),
      props: (route) => ({ classId: text(route, 'classId'), note: text(route, 'note') || null }),
      meta: { title: t('router.a-note'), keys: NOTE_KEYS },
    },
  ];
}

/** The school's tunes. */
function tuneRoutes(): RouteRecordRaw[] {
  return [
    {
      path: '/tunes',
      name: 'tunes',
      component: () => import('./features/tunes/LibraryPage.vue'),
      meta: { title: t('router.library') },
    },
    {
      path: '/tunes/new',
      name: 'new-tune',
      component: () => import('./features/tunes/EditPage.vue'),
      props: { tuneId: null },
      meta: { title: t('router.add-a-tune'), teaches: true },
    },
    {
      path: '/tunes/:tuneId',
      name: 'tune',
      component: () => import('./features/tunes/TunePage.vue'),
      props: (route) => ({
        tuneId: text(route, 'tuneId'),
        classId: typeof route.query.class === 'string' ? route.query.class : null,
      }),
      meta: { title: t('router.tune'), keys: TUNE_KEYS },
    },
    {
      path: '/tunes/:tuneId/edit',
      name: 'edit-tune',
      component: () => import('./features/tunes/EditPage.vue'),
      props: true,
      meta: { title: t('router.edit-a-tune'), teaches: true },
    },
  ];
}

/** One page, one question. Pages load when they are first opened. */
export function createEscalierRouter(): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', redirect: '/classes' },
      ...doorRoutes(),
      {
        path: '/classes',
        name: 'classes',
        component: () => import('./features/classes/ClassesPage.vue'),
        meta: { title: t('router.classes') },
      },
      {
        path: '/classes/new',
        name: 'new-class',
        component: () => import('./features/classes/ClassSettingsPage.vue'),
        props: { classId: null },
        meta: { title: t('router.add-a-class'), teaches: true },
      },
      {
        path: '/start',
        name: 'start',
        component: () => import('./features/classes/StartPage.vue'),
        meta: { title: t('router.your-first-class'), teaches: true },
      },
      ...classRoutes(),
      ...staircaseRoutes(),
      ...schoolRoutes(),
      ...tuneRoutes(),
      {
        path: '/fingerings',
        name: 'fingerings',
        component: () => import('./features/notes/FingeringsPage.vue'),
        meta: { title: t('router.fingerings') },
      },
      {
        path: '/:rest(.*)*',
        name: 'lost',
        component: () => import('./ui/LostPage.vue'),
        meta: { title: t('router.no-such-page'), open: true },
      },
    ],
  });
  guard(router);
  reloadWhenMissing(router);
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
    document.title = `${to.meta.title} · Escalier`;
  });
  whenSignedOut(() => {
    void useSession().ended(router.currentRoute.value.fullPath);
  });
}

const RELOADED = 'escalier-reloaded';
const SOON_MS = 30_000;

/**
 * A page whose code does not come (a new version was installed, or the network is gone) is asked for once from the server
 * by reloading; when that was tried just now, the error page says so instead of a click without an answer.
 */
function reloadWhenMissing(router: Router): void {
  router.onError((error: unknown, to) => {
    const last = Number(sessionStorage.getItem(RELOADED) ?? 0);
    if (Date.now() - last > SOON_MS && navigator.onLine) {
      sessionStorage.setItem(RELOADED, String(Date.now()));
      location.assign(to.fullPath);
    } else reportError(error);
  });
}

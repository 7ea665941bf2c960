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

const PLAY_KEYS = [['Space', 'Play and stop']] as const;
const TUNE_KEYS = [
  ...PLAY_KEYS,
  ['↑ ↓', 'Faster and slower'],
  ['T', 'Tap a tempo'],
  ['M, B, C, L', 'Melody, backing, click, loop'],
  ['N', 'The next piece, from the first'],
] as const;
const HEARING_KEYS = [
  ['1', 'Passed'],
  ['2', 'Nearly'],
  ['3', 'Not yet'],
  ['S', 'Skip to the next pupil'],
  ['A', 'Away today'],
  ['U', 'Undo'],
] as const;
const RECORDING_KEYS = [
  ...PLAY_KEYS,
  ['→', 'The next place to hear again'],
  ['←', 'The place before'],
  ['S', 'Slower, at the same pitch'],
  ['M', 'How it should sound'],
  ['1, 2, 3', 'Passed, nearly, not yet'],
  ['N', 'The next recording'],
] as const;
const BOARD_KEYS = [
  ['Arrows', 'Move from cell to cell'],
  ['Enter', 'Open a cell'],
  ['Space', 'Mark a cell'],
  ['Shift + arrow', 'Mark several cells'],
] as const;
const STAIRCASE_KEYS = [
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z', 'Redo'],
  ['↑ ↓ on a handle', 'Move a step'],
  ['← → on an edge', 'Fewer or more lessons'],
] as const;
const NOTE_KEYS = [
  ['1 to 5', 'Go to a part of the lesson'],
  ['← →', 'Back and on'],
  ['B', 'Big for the projector, and back'],
  ...PLAY_KEYS,
] as const;

const LESSON_KEYS = [
  ['→', 'Go on'],
  ['←', 'Back'],
  ...PLAY_KEYS,
  ['↑ ↓', 'Faster and slower'],
  ['1 to 9', 'A rung of the practice ladder'],
  ['R, S', 'Again, skip'],
  ['M, B, C, L', 'Melody, backing, click, loop'],
  ['Q', 'Quiet, please'],
  ['F', 'Full screen'],
] as const;

/** Outside the school: signing in, the first start, an invitation. */
function doorRoutes(): RouteRecordRaw[] {
  return [
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./features/schools/SignInPage.vue'),
      meta: { title: 'Sign in', open: true },
    },
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
    page('calendar', 'Calendar', () => import('./features/calendar/TermsPage.vue')),
    page('instruments', 'Instruments', () => import('./features/instruments/InstrumentsPage.vue')),
    page('belts', 'Belts', () => import('./features/instruments/BeltsPage.vue')),
    page('cautions', 'Cautions', () => import('./features/schools/CautionsPage.vue')),
    page('remarks', 'Remarks', () => import('./features/schools/RemarksPage.vue')),
    page('details', 'School details', () => import('./features/schools/DetailsPage.vue')),
    page('people', 'People', () => import('./features/schools/PeoplePage.vue')),
    page('data', 'Data', () => import('./features/schools/DataPage.vue')),
    page('account', 'My account', () => import('./features/schools/AccountPage.vue')),
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
    page('staircases', '', 'Staircases', () => import('./features/staircase/StaircasesPage.vue')),
    page('make-staircase', '/new', 'Make a staircase', () => import('./features/staircase/MakePage.vue')),
    page('compare-staircases', '/compare', 'Compare staircases', () => import('./features/staircase/ComparePage.vue')),
    page('poster', '/:staircaseId/poster', 'Poster', () => import('./features/staircase/PosterPage.vue')),
    {
      ...page('staircase', '/:staircaseId', 'A staircase', () => import('./features/staircase/StaircasePage.vue')),
      meta: { title: 'A staircase', teaches: true, keys: STAIRCASE_KEYS },
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
      title: 'Stairs',
      keys: [['H', 'Hear the next pupil']],
    }),
    page('today', '/today', () => import('./features/lesson/TodayPage.vue'), { title: 'Today', teaches: true }),
    page('substitute', '/today/substitute', () => import('./features/lesson/SubstitutePage.vue'), {
      title: 'For a substitute',
      teaches: true,
    }),
    page('cards', '/today/cards', () => import('./features/lesson/CardsPage.vue'), {
      title: 'Rhythm cards',
      teaches: true,
    }),
    page('lesson', '/lesson', () => import('./features/lesson/RunnerPage.vue'), {
      title: 'Lesson',
      teaches: true,
      bare: true,
      keys: LESSON_KEYS,
    }),
    page('projector', '/projector', () => import('./features/lesson/ProjectorPage.vue'), {
      title: 'For the class',
      teaches: true,
      bare: true,
    }),
    page('plan', '/plan', () => import('./features/classes/PlanPage.vue'), { title: 'Plan' }),
    page('class-settings', '/settings', () => import('./features/classes/ClassSettingsPage.vue'), {
      title: 'Settings',
      teaches: true,
    }),
    page('pupils', '/pupils', () => import('./features/pupils/PupilsPage.vue'), { title: 'Pupils', teaches: true }),
    page('pupil', '/pupils/:pupilId', () => import('./features/progress/PupilPage.vue'), { title: 'Pupil' }),
    page('hear', '/hear/:pupilId?', () => import('./features/hearing/HearingPage.vue'), {
      title: 'Hearing',
      keys: HEARING_KEYS,
    }),
    page('recordings', '/recordings', () => import('./features/recordings/RecordingsPage.vue'), {
      title: 'Recordings',
    }),
    page('recording', '/recordings/:recordingId', () => import('./features/recordings/RecordingPage.vue'), {
      title: 'A recording',
      keys: RECORDING_KEYS,
    }),
    page('room', '/room', () => import('./features/home/RoomPage.vue'), { title: 'Practice room', teaches: true }),
    page('handouts', '/handouts', () => import('./features/handouts/HandoutsPage.vue'), {
      title: 'Handouts',
      teaches: true,
    }),
    page('board', '/board', () => import('./features/progress/BoardPage.vue'), { title: 'Board', keys: BOARD_KEYS }),
    page('trends', '/trends', () => import('./features/progress/TrendsPage.vue'), { title: 'Trends' }),
    {
      path: '/classes/:classId/steps/:position(\\d+)',
      name: 'step',
      component: () => import('./features/tunes/TunePage.vue'),
      props: (route) => ({ classId: text(route, 'classId'), position: Number(text(route, 'position')) }),
      meta: { title: 'Step', keys: TUNE_KEYS },
    },
    {
      path: '/classes/:classId/notes/:note?',
      name: 'note',
      component: () => import('./features/notes/NoteLessonPage.vue'),
      props: (route) => ({ classId: text(route, 'classId'), note: text(route, 'note') || null }),
      meta: { title: 'A note', keys: NOTE_KEYS },
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
      meta: { title: 'Library' },
    },
    {
      path: '/tunes/new',
      name: 'new-tune',
      component: () => import('./features/tunes/EditPage.vue'),
      props: { tuneId: null },
      meta: { title: 'Add a tune', teaches: true },
    },
    {
      path: '/tunes/:tuneId',
      name: 'tune',
      component: () => import('./features/tunes/TunePage.vue'),
      props: (route) => ({
        tuneId: text(route, 'tuneId'),
        classId: typeof route.query.class === 'string' ? route.query.class : null,
      }),
      meta: { title: 'Tune', keys: TUNE_KEYS },
    },
    {
      path: '/tunes/:tuneId/edit',
      name: 'edit-tune',
      component: () => import('./features/tunes/EditPage.vue'),
      props: true,
      meta: { title: 'Edit a tune', teaches: true },
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
        meta: { title: 'Classes' },
      },
      {
        path: '/classes/new',
        name: 'new-class',
        component: () => import('./features/classes/ClassSettingsPage.vue'),
        props: { classId: null },
        meta: { title: 'Add a class', teaches: true },
      },
      {
        path: '/start',
        name: 'start',
        component: () => import('./features/classes/StartPage.vue'),
        meta: { title: 'Your first class', teaches: true },
      },
      ...classRoutes(),
      ...staircaseRoutes(),
      ...schoolRoutes(),
      ...tuneRoutes(),
      {
        path: '/fingerings',
        name: 'fingerings',
        component: () => import('./features/notes/FingeringsPage.vue'),
        meta: { title: 'Fingerings' },
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

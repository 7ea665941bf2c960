import { readFileSync, mkdirSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM, ensureChromium } from './lib/debian.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { binary, ROOT } from './lib/paths.mjs';
import { startTemporaryPostgres } from './lib/postgres.mjs';
import { start, stopOnSignals } from './lib/processes.mjs';
import { buildServer, withProduct } from './lib/product.mjs';
import { Refusal, run, say } from './lib/say.mjs';

const REPORTS = join(ROOT, '.cache', 'reports');

const eslint = (cache, ...what) => [
  'eslint',
  ['--cache', '--cache-location', `.cache/eslint-${cache}`, '--max-warnings', '0', ...what],
];

/** Read first: those that import these parts read the types that this writes to .cache/types. */
const FIRST = { 'types of core, paper and server': ['tsc', ['-b', 'server']] };
/** Two lists, each in order, for two cores: the web takes as long as all the rest. */
const BESIDE = [
  { 'lint of the web': eslint('web', 'web'), 'types of the web': ['vue-tsc', ['-p', 'web', '--noEmit']] },
  {
    'lint of the rest': eslint('rest', '.', '--ignore-pattern', 'web/'),
    format: ['prettier', ['--check', '--log-level', 'warn', '.']],
    imports: [
      'depcruise',
      ['--config', '.dependency-cruiser.cjs', 'messages', 'core', 'contract', 'paper', 'server', 'web', 'cli', 'e2e'],
    ],
    unused: ['knip', ['--no-progress']],
    'types of the terminal': ['tsc', ['-p', 'cli']],
    'types of the end-to-end tests': ['tsc', ['-p', 'e2e']],
  },
];

/** Each check counts as one test that passes or fails. */
async function checks() {
  const [passed, failed] = [[], []];
  const inOrder = async (list) => {
    for (const [name, [command, args]] of Object.entries(list)) {
      say(`· ${name}`);
      ((await start(binary(command), args).ended) === 0 ? passed : failed).push(name);
    }
  };
  await inOrder(FIRST);
  await Promise.all(BESIDE.map(inOrder));
  return { passed: passed.length, failed };
}

/** What stands behind a part's name: files or titles for its runner. */
let filters = [];

async function vitest(name, projects, env = {}) {
  const report = join(REPORTS, `${name}.json`);
  const args = [
    'run',
    ...filters,
    ...projects.flatMap((project) => ['--project', project]),
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ];
  const code = await start(binary('vitest'), args, { env: { ...process.env, ...env } }).ended;
  return counted(report, code, (result) => ({
    passed: result.numPassedTests,
    failed: result.testResults
      .flatMap((file) => file.assertionResults)
      .filter((test) => test.status === 'failed')
      .map((test) => test.fullName),
  }));
}

async function playwright(env) {
  const report = join(REPORTS, 'e2e.json');
  const args = ['test', '--config', 'e2e/playwright.config.ts', ...filters];
  const code = await start(binary('playwright'), args, {
    env: { ...process.env, ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: report },
  }).ended;
  return counted(report, code, ({ stats, suites }) => {
    const specs = suites.flatMap(specsOf);
    for (const { title, tests } of specs)
      if (tests.some((test) => test.status === 'flaky')) say(`Passed at the second try only: ${title}`);
    return { passed: stats.expected + stats.flaky, failed: specs.filter((spec) => !spec.ok).map(({ title }) => title) };
  });
}

function specsOf(suite) {
  return [...suite.specs, ...(suite.suites ?? []).flatMap(specsOf)];
}

/** A run that ends badly without a failed test counts as one failure. */
function counted(report, code, read) {
  let counts = { passed: 0, failed: [] };
  try {
    counts = read(JSON.parse(readFileSync(report, 'utf8')));
  } catch {
    say('The run left no report.');
  }
  return code !== 0 && counts.failed.length === 0 ? { ...counts, failed: ['the run itself'] } : counts;
}

async function serverTests() {
  const threads = buildServer();
  const postgres = await startTemporaryPostgres();
  const stop = stopOnSignals(postgres.stop);
  try {
    return await vitest('server', ['server'], {
      ESCALIER_TEST_POSTGRES: postgres.ownerUrl(''),
      ESCALIER_TEST_POSTGRES_APP: postgres.url(''),
      ESCALIER_THREADS: threads,
    });
  } finally {
    await stop();
  }
}

/**
 * Every test has a school of its own at one server; a test may start a further one on a further database. There is a
 * worker more than cores: one of them always waits for its page.
 */
async function endToEnd() {
  ensureChromium();
  const databases = ['restart', 'first_run', 'first_hour', 'live'];
  return withProduct(databases, ({ address, urls }) =>
    playwright({
      ESCALIER_E2E_ADDRESS: address,
      ESCALIER_E2E_WORKERS: String(Math.min(3, availableParallelism() + 1)),
      ESCALIER_E2E_DATABASES: JSON.stringify(Object.fromEntries(databases.map((name) => [name, urls(name)]))),
      ESCALIER_E2E_CHROMIUM: CHROMIUM,
    }),
  );
}

const PARTS = {
  lint: checks,
  unit: () => vitest('unit', ['messages', 'core', 'paper', 'cli', 'scripts', 'web', 'web without a page']),
  server: serverTests,
  e2e: endToEnd,
};

await run(async () => {
  const [named, ...rest] = process.argv.slice(2);
  const wanted = named === undefined ? [] : [named];
  filters = rest;
  const unknown = wanted.find((part) => !(part in PARTS));
  if (unknown !== undefined)
    throw new Refusal(`There is no part "${unknown}": please choose from ${Object.keys(PARTS).join(', ')}.`);
  ensurePackages();
  rmSync(REPORTS, { recursive: true, force: true });
  mkdirSync(REPORTS, { recursive: true });
  let total = 0;
  const failures = [];
  const runPart = async (part) => {
    say(`\n=== ${part}`);
    const { passed, failed } = await PARTS[part]();
    total += passed;
    failures.push(...failed.map((name) => `${part}: ${name}`));
  };
  const parts = wanted.length > 0 ? wanted : Object.keys(PARTS);
  // Browsers, which wait for each other, get the machine to themselves.
  const beside = parts.filter((part) => part === 'lint');
  const inOrder = parts.filter((part) => part === 'unit' || part === 'server');
  const ordered = async (list) => {
    for (const part of list) await runPart(part);
  };
  await Promise.all([ordered(beside), ordered(inOrder)]);
  await ordered(parts.filter((part) => part === 'e2e'));
  for (const failure of failures) say(`Failed in ${failure}`);
  say(`\n${total} passed, ${failures.length} failed`);
  process.exitCode = failures.length > 0 ? 1 : 0;
});

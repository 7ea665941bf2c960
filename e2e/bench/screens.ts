import { randomBytes } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { Client } from 'pg';
import { ADDRESS, median, open, print, wanted } from './harness.ts';
import { slipOf } from '../slips.ts';
import { memory, pages } from './pages.ts';

const ROUNDS = 15;
const PUPILS = 30;
const STEPS = 15;
const EVENTS = 5000;

/** A class of 30 on stairs of 15 steps, with 5,000 records; gives its id. */
async function bigClass(): Promise<string> {
  const client = new Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  const one = async (sql: string): Promise<string> => {
    const { rows } = await client.query<{ id: string }>(sql);
    return rows[0]!.id;
  };
  const staircase = await one(`insert into staircase (id, school_id, name, instrument)
    select gen_random_uuid(), s.school_id, 'Fifteen steps', s.instrument
    from staircase s join school_class c on c.staircase_id = s.id where c.name = '4 Plover' returning id`);
  await client.query(`insert into step (id, staircase_id, position, tune_id, belt, lessons, to_pass)
    select gen_random_uuid(), '${staircase}', n, t.id, 'straw', 2, 1
    from generate_series(1, ${STEPS}) n
    join (select s.tune_id as id, s.position from step s join school_class c on c.staircase_id = s.staircase_id
      where c.name = '4 Plover') t on t.position = (n - 1) % 6 + 1`);
  const schoolClass =
    await one(`insert into school_class (id, school_id, term_id, staircase_id, name, grade, meetings, style)
    select gen_random_uuid(), school_id, term_id, '${staircase}', 'Large class', grade, meetings, style
    from school_class where name = '4 Plover' returning id`);
  await client.query(`insert into pupil (id, school_id, school_class_id, shown_name, start_step_id, joined_on, hand_mark, note,
      may_record)
    select gen_random_uuid(), c.school_id, c.id, 'Pupil ' || lpad(n::text, 2, '0'), s.id, t.starts_on, '', '', false
    from generate_series(1, ${PUPILS}) n, school_class c join term t on t.id = c.term_id
      join step s on s.staircase_id = c.staircase_id and s.position = 1 where c.id = '${schoolClass}'`);
  await client.query(`insert into record_event (id, school_id, school_class_id, account_id, kind, pupil_id, step_id, outcome,
      remarks, reason, device_ahead, heard_at, received_at)
    select gen_random_uuid(), p.school_id, p.school_class_id, a.id, 'heard', p.id, s.id,
      case when n / ${PUPILS} % 12 = 11 then 'passed' when n % 3 = 0 then 'nearly' else 'not-yet' end, '["leak"]', '', 0,
      now() - (${EVENTS} - n) * interval '5 minutes', now()
    from generate_series(0, ${EVENTS - 1}) n
    join (select *, row_number() over (order by shown_name) - 1 as place from pupil where school_class_id = '${schoolClass}') p
      on p.place = n % ${PUPILS}
    join step s on s.staircase_id = '${staircase}' and s.position = n / ${PUPILS} / 12 + 1
    join account a on a.school_id = p.school_id and a.role = 'owner'`);
  await client.end();
  return schoolClass;
}

/** In the page: runs `start`, and gives the milliseconds until `done` holds and the browser has painted. */
const PAINTED = `window.painted = (start, done) => new Promise((resolve) => {
  const begin = performance.now();
  const finish = () => requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - begin)));
  const watch = new MutationObserver(() => {
    if (!done()) return;
    watch.disconnect();
    finish();
  });
  watch.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
  start();
  if (done()) { watch.disconnect(); finish(); }
})`;

async function board(page: Page, classId: string): Promise<void> {
  await page.goto(`${ADDRESS}/classes/${classId}/pupils/nobody`);
  const nearlyEmpty = page.getByText('This pupil is not in the class.');
  await nearlyEmpty.waitFor();
  await page.evaluate(PAINTED);
  const ours: number[] = [];
  const peer: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    ours.push(
      await page.evaluate<number>(
        `painted(() => document.querySelector('a[href$="/board"]').click(),
          () => document.querySelectorAll('td[data-cell]').length === ${PUPILS * STEPS})`,
      ),
    );
    peer.push(
      await page.evaluate<number>(
        `(() => {
          const html = document.querySelector('table').outerHTML.replaceAll('data-cell', 'data-peer');
          const host = document.createElement('div');
          return painted(() => { host.innerHTML = html; document.body.append(host); },
            () => document.querySelectorAll('td[data-peer]').length === ${PUPILS * STEPS}).then((time) => (host.remove(), time));
        })()`,
      ),
    );
    await page.goBack();
    await nearlyEmpty.waitFor();
    // What the last page asked for has come: only drawing is measured.
    await page.waitForTimeout(600);
  }
  const peerWords = 'the browser itself drawing the same table from its HTML: 30 pupils, 15 steps, 5,000 records';
  print({ name: 'board', peer: peerWords, value: median(ours), peerValue: median(peer) });
}

async function tap(page: Page, classId: string): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.goto(`${ADDRESS}/classes/${classId}/hear`);
  await page.locator('.sheet svg').first().waitFor();
  await page.evaluate(PAINTED);
  const measure = async (): Promise<{ ours: number; peer: number }> => {
    const ours: number[] = [];
    const peer: number[] = [];
    for (let round = 0; round < ROUNDS; round++) {
      ours.push(
        await page.evaluate<number>(
          `(() => {
            const heard = () => document.querySelector('.hearing h2.who').textContent;
            const name = heard();
            return painted(() => document.querySelector('button.nearly').click(), () => heard() !== name);
          })()`,
        ),
      );
      peer.push(
        await page.evaluate<number>(
          `(() => {
            const host = document.createElement('h1');
            document.body.append(host);
            return painted(() => { host.textContent = 'next'; }, () => host.textContent === 'next')
              .then((time) => (host.remove(), time));
          })()`,
        ),
      );
      await page.waitForTimeout(150);
    }
    return { ours: median(ours), peer: median(peer) };
  };
  const words = 'the browser itself showing one changed word';
  const online = await measure();
  print({ name: 'tap', peer: words, value: online.ours, peerValue: online.peer });
  await page.context().setOffline(true);
  const offline = await measure();
  print({ name: 'tap-offline', peer: words, value: offline.ours, peerValue: offline.peer });
  await page.context().setOffline(false);
}

/** Chromium's own "slow 3G" and a processor four times slower. */
const SLOW = { offline: false, latency: 400, downloadThroughput: 50_000, uploadThroughput: 50_000 };
const SLOWDOWN = 4;

/** A page that is opened for the first time on a poor network: how long until `ready`, and what came over the wire. */
async function firstLoad(browser: Browser, address: string, cookies: Cookies, ready: string) {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  await context.addCookies(cookies);
  const page = await context.newPage();
  const devtools = await context.newCDPSession(page);
  let [wire, plain] = [0, 0];
  devtools.on('Network.loadingFinished', ({ encodedDataLength }) => (wire += encodedDataLength));
  devtools.on('Network.dataReceived', ({ dataLength }) => (plain += dataLength));
  await devtools.send('Network.enable');
  await devtools.send('Network.emulateNetworkConditions', SLOW);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWDOWN });
  const start = performance.now();
  await page.goto(address, { waitUntil: 'commit' });
  await page.locator(ready).first().waitFor({ timeout: 120_000 });
  const milliseconds = performance.now() - start;
  await context.close();
  return { milliseconds, wire, plain };
}

type Loaded = Awaited<ReturnType<typeof firstLoad>>;
type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>;

/** A bare page of as many bytes that cannot be compressed: what the network alone takes. */
function barePage(bytes: number): Promise<{ address: string; close: () => void }> {
  const body = randomBytes(Math.max(1, Math.floor(bytes / 2))).toString('hex');
  const server = createServer((_request, answer) => {
    answer.setHeader('content-type', 'text/html');
    answer.end(`<!doctype html><title>x</title><!--${body}--><p class="peg">x</p>`);
  });
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      resolve({ address: `http://127.0.0.1:${port}/`, close: () => server.close() });
    });
  });
}

interface FirstScreen {
  readonly name: string;
  readonly what: string;
  readonly address: string;
  readonly cookies: Cookies;
  /** What says that it is there. */
  readonly ready: string;
}

async function firstLoads(browser: Browser, { name, what, address, cookies, ready }: FirstScreen): Promise<void> {
  if (!wanted(name)) return;
  const ours: Loaded[] = [];
  const bare: Loaded[] = [];
  for (let round = 0; round < 3; round++) {
    const one = await firstLoad(browser, address, cookies, ready);
    ours.push(one);
    const peer = await barePage(one.wire);
    bare.push(await firstLoad(browser, peer.address, [], '.peg'));
    peer.close();
  }
  const middle = <Key extends 'milliseconds' | 'wire' | 'plain'>(all: readonly Loaded[], key: Key): number =>
    median(all.map((one) => one[key]));
  const words = `a bare page of the same bytes; ${what} by slow 3G with a processor four times slower`;
  print({ name, peer: words, value: middle(ours, 'milliseconds'), peerValue: middle(bare, 'milliseconds') });
  const kilo = (key: 'wire' | 'plain'): number => middle(ours, key) / 1024;
  const kB = { name: `${name}-size`, peer: 'the same answers as they are without compression' };
  print({ ...kB, unit: 'kB', value: kilo('wire'), peerValue: kilo('plain') });
}

/** The practice room of a pupil of the demo, as a family opens it from a slip. */
async function roomLoad(browser: Browser): Promise<void> {
  if (!wanted('first-load-room')) return;
  const context = await browser.newContext();
  const { slip } = await slipOf(await context.newPage(), ADDRESS);
  await context.close();
  await firstLoads(browser, {
    name: 'first-load-room',
    what: 'the practice room',
    ready: '.parts li',
    cookies: [],
    address: `${ADDRESS}/room/#${slip.token}`,
  });
}

const classId = await bigClass();
const browser = await chromium.launch({
  executablePath: process.env.ESCALIER_BENCH_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
});
try {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'allow' });
  const page = await open(context);
  if (wanted('board')) await board(page, classId);
  if (wanted('tap') || wanted('tap-offline')) await tap(page, classId);
  await firstLoads(browser, {
    name: 'first-load',
    what: 'the first class',
    address: `${ADDRESS}/classes/${classId}`,
    ready: '.peg',
    cookies: await context.cookies(),
  });
  await roomLoad(browser);
  await memory(page);
  await pages(page);
} finally {
  await browser.close();
}

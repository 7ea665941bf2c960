import { Me, sealSecret, signInPage, type DemoAccount } from '@escalier/contract/people';
import { dayIn, type LocalDate } from '@escalier/core/calendar';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Router, RouteLocationRaw } from 'vue-router';
import { api, ApiError, ask } from '../../api.ts';
import {
  clearDevice,
  deviceAccount,
  fresh,
  keptKey,
  leftHere,
  tellTabs,
  useOutbox,
  whenTold,
} from '../../offline/index.ts';
import { keepEnglish } from '../../english.ts';
import { t } from './messages.ts';

/** So long a device may go on without having heard from the school: then it asks for signing in, also without a network. */
const LEASE_MS = 7 * 86_400_000;
const SIGN_OUT_MS = 4000;

/** Who is signed in on this device. */
export const useSession = defineStore('session', () => {
  const outbox = useOutbox();
  const me = ref<Me | null>(null);
  /** Seals what is not sent yet; null where the browser cannot. */
  const sealKey = shallowRef<CryptoKey | null>(null);
  const mayTeach = computed(() => me.value !== null && me.value.role !== 'assistant');
  /** Of the school; times and days are said by its clock. */
  const timeZone = computed(() => me.value?.timeZone ?? 'UTC');
  /** The school speaks otherwise than this page, which has to be loaded again. */
  let speaksOtherwise = false;
  let loaded = false;

  /** The calendar day where the school is. */
  function today(): LocalDate {
    return dayIn(timeZone.value)(new Date().toISOString());
  }

  /** Asks once who is signed in. */
  async function load(): Promise<void> {
    if (loaded) return;
    if (leftHere.get() && !(await leaveSchool())) {
      // Signed out without a network: the school does not know yet, and the old cookie opens nothing here.
      loaded = true;
      return;
    }
    try {
      await enter();
      speakAsSchool();
    } catch (error) {
      if (error instanceof ApiError && error.code === 'signed-out') {
        loaded = true;
        await clearDevice();
      }
    }
  }

  async function signIn(email: string, password: string): Promise<void> {
    // Who signed out here without a network is signed out at school first.
    if (leftHere.get()) await leaveSchool();
    await ask(api['sign-in'].$post({ json: { email, password } }));
    leftHere.set(false);
    await enter();
  }

  /** Takes over who the school says is signed in; also after a link or the first run. */
  async function enter(): Promise<void> {
    const request = api.session.$get();
    const found = await ask(request, Me);
    const { headers } = await request;
    const now = Date.now();
    // What the service worker has kept says when the school last answered.
    const heard = Date.parse(headers?.get('date') ?? '') || now;
    if (Date.parse(found.until) < now || now - heard > LEASE_MS) {
      await clearDevice();
      throw new ApiError({ error: { code: 'signed-out', message: t('session.please-sign-in-again') } });
    }
    const before = deviceAccount.get();
    if (before !== null && before !== found.email) await clearDevice();
    deviceAccount.set(found.email);
    sealKey.value = await keptKey(found.email, async () => (await ask(api.session.seal.$get(), sealSecret)).key);
    me.value = found;
    speaksOtherwise = keepEnglish(found.english);
    loaded = true;
    if (before !== found.email) tellTabs({ kind: 'entered', email: found.email });
  }

  /** Signs out here at once, with a network or without; the school hears of it as soon as it can. */
  async function signOut(): Promise<void> {
    leftHere.set(true);
    await forgetHere();
    tellTabs({ kind: 'left' });
    await leaveSchool();
    fresh.page('/sign-in');
  }

  /** The school has ended the session: it ran out, was ended from elsewhere, or the account was closed. */
  async function ended(back: string): Promise<void> {
    if (me.value === null) return;
    await forgetHere();
    tellTabs({ kind: 'left' });
    fresh.page(`/sign-in?to=${encodeURIComponent(back)}`);
  }

  async function forgetHere(): Promise<void> {
    me.value = null;
    sealKey.value = null;
    await outbox.leave();
    await clearDevice();
  }

  /** Gives whether the school knows now. */
  async function leaveSchool(): Promise<boolean> {
    try {
      await ask(api.session.$delete({}, { init: { signal: AbortSignal.timeout(SIGN_OUT_MS) } }));
    } catch (error) {
      if (!(error instanceof ApiError) || error.code !== 'signed-out') return false;
    }
    leftHere.set(false);
    return true;
  }

  /** Another tab has signed out, or somebody else in: this one keeps nothing of before. */
  whenTold((told) => {
    if (told.kind === 'left' && me.value !== null) void forgetHere().then(() => fresh.page('/sign-in'));
    if (told.kind === 'entered' && me.value?.email !== told.email)
      void outbox.leave().then(() => fresh.page('/classes'));
  });

  /** Goes on to a page, which is loaded afresh where the school speaks otherwise than this one. */
  async function goTo(to: RouteLocationRaw, router: Router): Promise<void> {
    if (speaksOtherwise) fresh.page(router.resolve(to).href);
    else await router.push(to);
  }

  /** Loads this page afresh where the school speaks otherwise than it does. */
  function speakAsSchool(): void {
    if (speaksOtherwise) fresh.page(location.href);
  }

  /** The demo's account, and whether there is no school yet. */
  async function door(): Promise<{ readonly demo: DemoAccount | null; readonly firstRun: boolean }> {
    return ask(api['sign-in'].$get(), signInPage);
  }

  return { me, sealKey, mayTeach, timeZone, today, load, signIn, enter, signOut, ended, goTo, speakAsSchool, door };
});

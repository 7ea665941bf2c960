import type { DemoAccount, Me } from '@escalier/server/api';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';

/** Who is signed in on this device. */
export const useSession = defineStore('session', () => {
  const me = ref<Me | null>(null);
  const mayTeach = computed(() => me.value !== null && me.value.role !== 'assistant');
  let loaded = false;

  /** Asks once who is signed in. */
  async function load(): Promise<void> {
    if (loaded) return;
    try {
      me.value = await ask(api.session.$get());
      loaded = true;
    } catch (error) {
      if (error instanceof ApiError && error.code === 'signed-out') loaded = true;
    }
  }

  async function signIn(email: string, password: string): Promise<void> {
    await ask(api['sign-in'].$post({ json: { email, password } }));
    await enter();
  }

  /** After the server has signed somebody in by a link or at the first run. */
  async function enter(): Promise<void> {
    me.value = await ask(api.session.$get());
    loaded = true;
  }

  async function signOut(): Promise<void> {
    await ask(api.session.$delete());
    me.value = null;
  }

  function forget(): void {
    me.value = null;
  }

  /** The demo's account, and whether there is no school yet. */
  async function door(): Promise<{ readonly demo: DemoAccount | null; readonly firstRun: boolean }> {
    return ask(api['sign-in'].$get());
  }

  return { me, mayTeach, load, signIn, enter, signOut, forget, door };
});

import type { DemoAccount, Me } from '@escalier/server/api';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';

/** Who is signed in on this device. */
export const useSession = defineStore('session', () => {
  const me = ref<Me | null>(null);
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

  async function demoAccount(): Promise<DemoAccount | null> {
    return (await ask(api['sign-in'].$get())).demo;
  }

  return { me, load, signIn, signOut, forget, demoAccount };
});

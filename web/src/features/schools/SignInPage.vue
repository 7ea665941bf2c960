<script setup lang="ts">
import type { DemoAccount } from '@escalier/contract/people';
import { onMounted, reactive, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ApiError } from '../../api.ts';
import BeltBand from '../../ui/BeltBand.vue';
import SaveBar from '../../ui/SaveBar.vue';
import TextField from '../../ui/TextField.vue';
import { BELTS } from '@escalier/core/staircase';
import { useSession } from './session.ts';
import { t } from './messages.ts';

/** Who stands on the picture's steps, from left to right. */
const PEGS = [['a'], ['b', 'c', 'a'], ['a', 'b', 'c'], ['a'], [], ['b']];

const session = useSession();
const router = useRouter();
const route = useRoute();

const draft = reactive({ email: '', password: '' });
/** Which fields the school could not take, in its words. */
const fields = ref<Readonly<Record<string, string>>>({});

const demo = ref<DemoAccount | null>(null);
const refused = ref<string | null>(null);
const busy = ref(false);

onMounted(async () => {
  try {
    const door = await session.door();
    if (door.firstRun) return await router.replace({ name: 'first-run' });
    demo.value = door.demo;
  } catch (error) {
    refused.value = error instanceof ApiError ? error.message : null;
  }
});

async function enter(email: string, password: string): Promise<void> {
  busy.value = true;
  refused.value = null;
  fields.value = {};
  try {
    await session.signIn(email, password);
    const { to } = route.query;
    await session.goTo(typeof to === 'string' && /^\/(?!\/)/.test(to) ? to : '/classes', router);
  } catch (error) {
    fields.value = error instanceof ApiError ? error.fields : {};
    const isField = Object.keys(fields.value).length > 0;
    refused.value = isField
      ? null
      : error instanceof ApiError
        ? error.message
        : t('sign-in-page.sign-in-didnt-work-please-try');
  } finally {
    busy.value = false;
  }
}

function submit(): Promise<void> {
  return enter(draft.email.trim(), draft.password);
}
</script>

<template>
  <div class="entrance">
    <section class="picture" aria-hidden="true">
      <div v-for="(belt, index) in BELTS.slice(0, 6)" :key="belt.id" class="stone" :class="`stone-${index + 1}`">
        <BeltBand :belt-id="belt.id" decorative />
        <i v-for="peg in PEGS[index]" :key="peg" class="peg" :class="`peg-${peg}`" />
      </div>
    </section>
    <section class="door">
      <p class="brand-name">{{ t('sign-in-page.escalier') }}</p>
      <h1>{{ t('sign-in-page.one-step-further-for-every-pupil') }}</h1>
      <p class="soft">
        {{ t('sign-in-page.plan-a-recorder-or-tin-whistle') }}
      </p>
      <BForm class="stack" novalidate @submit.prevent="submit">
        <TextField
          v-model="draft.email"
          :label="t('sign-in-page.email')"
          type="email"
          autocomplete="username"
          :error="fields.email"
        />
        <TextField
          v-model="draft.password"
          :label="t('sign-in-page.password')"
          type="password"
          autocomplete="current-password"
          :error="fields.password"
        />
        <SaveBar :busy="busy" :error="refused" :label="t('sign-in-page.sign-in')" />
      </BForm>
      <div v-if="demo !== null" class="card-paper stack-close stack-start">
        <h2>{{ t('sign-in-page.just-looking') }}</h2>
        <p>{{ t('sign-in-page.an-invented-school-with-three-classes') }}</p>
        <BButton :disabled="busy" @click="enter(demo.email, demo.password)">{{
          t('sign-in-page.open-the-demo-school')
        }}</BButton>
        <p class="soft small">{{ t('sign-in-page.it-signs-you-in-as-email', { email: demo.email }) }}</p>
      </div>
    </section>
  </div>
</template>

<style scoped lang="scss">
.entrance {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(360px, 1fr);
  min-height: 100vh;
}

.picture {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  align-items: end;
  background: var(--stone);
  border-right: 1px solid var(--line);
}

.stone {
  position: relative;
  border-top: 4px solid var(--ink);
  border-left: 4px solid var(--ink);
  background: repeating-linear-gradient(-52deg, var(--hatch) 0 2px, transparent 2px 16px) var(--paper);
}

// Pegs as on the class page: filled, ringed, dotted.
.peg {
  position: absolute;
  bottom: calc(100% + 8px);
  width: 26px;
  height: 26px;
  border: 3px solid var(--spruce);
  border-radius: var(--round);
  background: var(--spruce);
}

.peg-a {
  left: 8px;
}

.peg-b {
  left: 38px;
  border-color: var(--brass);
  background: var(--brass-soft);
}

.peg-c {
  left: 68px;
  border: 3px dotted var(--brick);
  background: var(--card);
}

.stone-1 {
  height: 12vh;
  border-left: 0;
}

.stone-2 {
  height: 24vh;
}

.stone-3 {
  height: 40vh;
}

.stone-4 {
  height: 51vh;
}

.stone-5 {
  height: 65vh;
}

.stone-6 {
  height: 82vh;
}

.door {
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 14px;
  max-width: 480px;
  padding: 32px 44px;
}

@media (max-width: 900px) {
  .entrance {
    grid-template-columns: 1fr;
    grid-template-rows: 26vh auto;
  }

  .picture {
    border-right: 0;
    overflow: hidden;
  }

  .door {
    max-width: 620px;
    margin: 0 auto;
    justify-content: flex-start;
  }
}
</style>

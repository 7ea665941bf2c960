<script setup lang="ts">
import { useHandIns } from './hand-ins.ts';
import { useRoom } from './use-room.ts';

/** What is kept where, in words for families: docs/PRIVACY.md at greater length. */
const { facts, leave } = useRoom();
const { forget } = useHandIns();

async function clear(): Promise<void> {
  await forget();
  leave();
}
</script>

<template>
  <section class="stack-close">
    <h1>For families</h1>
    <p>
      This room has no account and knows no name. The school sees nothing of what happens in it, but for what your child
      sends.
    </p>
    <h2 class="mt-3">On this device alone</h2>
    <ul>
      <li>the days of practice, the tunes that are liked, how far your child is;</li>
      <li>what the microphone hears: it is listened to here, and forgotten when the page is left;</li>
      <li>a recording that waits for a connection.</li>
    </ul>
    <h2 class="mt-3">At the school</h2>
    <ul>
      <li>
        a recording that your child sends, where you have agreed: the teacher hears it and answers. Both are erased
        after
        {{ facts?.keptDays ?? 'some' }} days;
      </li>
      <li>nothing else: no visits, no times, no scores.</li>
    </ul>
    <h2 class="mt-3">Whoever finds the slip</h2>
    <p>can practise, and send a recording under the picture name. Tell the teacher: a new slip closes the old one.</p>
    <h2 class="mt-3">Ears, breath, mouthpiece</h2>
    <p>
      Ten minutes are enough. Earphones low. A dizzy child sits down. Nobody shares an instrument without cleaning it.
      The school’s own rules come first.
    </p>
    <BButton v-if="facts !== null" variant="outline-danger" @click="clear">Take the room off this device</BButton>
  </section>
</template>

<script setup lang="ts">
import type { Notice } from '@escalier/core/formats';
import { setDiagnostics } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { basicSetup } from 'codemirror';
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue';
import { t } from './messages.ts';

/** ABC as text, with what is wrong marked at its line and column. */
const props = defineProps<{ notices: readonly Notice[]; isError: boolean }>();
const text = defineModel<string>({ required: true });
const host = useTemplateRef<HTMLElement>('host');
let view: EditorView | null = null;

const look = EditorView.theme({
  '&': { minHeight: '340px', fontSize: 'var(--text)', backgroundColor: 'var(--card)', color: 'var(--ink)' },
  '&.cm-focused': { outline: 'none' },
  '.cm-scroller': { fontFamily: "ui-monospace, 'DejaVu Sans Mono', monospace", minHeight: '340px' },
  '.cm-gutters': { backgroundColor: 'var(--paper)', color: 'var(--ink-soft)' },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--stone)' },
});

onMounted(() => {
  // In a shadow tree CodeMirror brings its styles as a style sheet object, which the Content-Security-Policy lets be.
  const root = host.value!.attachShadow({ mode: 'open' });
  view = new EditorView({
    root,
    parent: root,
    state: EditorState.create({
      doc: text.value,
      extensions: [
        basicSetup,
        look,
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({ 'aria-label': t('abc-editor.the-tune-as-abc') }),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) text.value = update.state.doc.toString();
        }),
      ],
    }),
  });
  mark();
});
onBeforeUnmount(() => view?.destroy());

watch(text, (now) => {
  if (view === null || view.state.doc.toString() === now) return;
  view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: now } });
});
watch(() => props.notices, mark);

function mark(): void {
  if (view === null) return;
  const { doc } = view.state;
  const found = props.notices.flatMap((notice) => {
    if (notice.at === undefined || notice.at.line > doc.lines) return [];
    const line = doc.line(notice.at.line);
    const from = Math.min(line.to, line.from + Math.max(0, notice.at.column - 1));
    return [
      {
        from,
        to: Math.min(line.to, from + 4),
        severity: props.isError ? ('error' as const) : ('warning' as const),
        message: notice.message,
      },
    ];
  });
  view.dispatch(setDiagnostics(view.state, found));
}
</script>

<template>
  <div ref="host" class="editor" />
</template>

<style scoped lang="scss">
.editor {
  border: 1.5px solid var(--ink);
  border-radius: var(--radius);
  background: var(--card);
  overflow: hidden;
}

.editor:focus-within {
  outline: var(--focus);
  outline-offset: 2px;
}
</style>

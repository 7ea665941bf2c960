import { useToast } from 'bootstrap-vue-next/composables/useToast';

const SHOWN_MS = 3500;
/** An action needs time to be read and reached. */
const WITH_ACTION_MS = 8000;

/** Short notices at the edge of the screen: what was saved, what could not be done. Call it in `setup`. */
export function useNotices() {
  const toast = useToast();

  function show(body: string, failed: boolean): void {
    if (!toast._isOrchestratorInstalled.value) return;
    void toast
      .create({
        body,
        modelValue: failed ? WITH_ACTION_MS : SHOWN_MS,
        isStatus: !failed,
        noProgress: true,
        ...(failed ? { variant: 'danger' as const } : {}),
      })
      .show();
  }

  return {
    say: (body: string) => show(body, false),
    fail: (body: string) => show(body, true),
  };
}

import { t } from './messages.ts';
export function className(classes: readonly { readonly id: string; readonly name: string }[], id: string): string {
  return classes.find((each) => each.id === id)?.name ?? t('words.another-class');
}

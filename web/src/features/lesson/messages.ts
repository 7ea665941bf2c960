import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/lesson';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/teaching';

export const t = /* @__PURE__ */ catalogue(messages);

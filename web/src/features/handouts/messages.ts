import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/handouts';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/classes';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/listening';

export const t = /* @__PURE__ */ catalogue(messages);

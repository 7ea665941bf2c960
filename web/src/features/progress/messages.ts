import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/progress';

export const t = /* @__PURE__ */ catalogue(messages);

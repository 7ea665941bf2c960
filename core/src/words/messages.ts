import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/words';

export const t = /* @__PURE__ */ catalogue(messages);

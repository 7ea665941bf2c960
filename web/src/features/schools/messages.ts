import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/schools';

export const t = /* @__PURE__ */ catalogue(messages);

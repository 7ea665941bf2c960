import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/hearing';

export const t = /* @__PURE__ */ catalogue(messages);

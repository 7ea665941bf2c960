import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/refusals';

export const t = /* @__PURE__ */ catalogue(messages);

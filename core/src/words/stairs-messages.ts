import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/stairs';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/staircase';

export const t = /* @__PURE__ */ catalogue(messages);

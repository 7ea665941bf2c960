import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/pupils';

export const t = /* @__PURE__ */ catalogue(messages);

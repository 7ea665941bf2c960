import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/home';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/tune-problems';

export const t = /* @__PURE__ */ catalogue(messages);

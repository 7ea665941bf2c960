import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/sums';

export const t = /* @__PURE__ */ catalogue(messages);

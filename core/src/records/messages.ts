import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/remarks';

export const t = /* @__PURE__ */ catalogue(messages);

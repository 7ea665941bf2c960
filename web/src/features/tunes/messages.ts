import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/tunes';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/instruments';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/notes';

export const t = /* @__PURE__ */ catalogue(messages);

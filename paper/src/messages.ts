import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/paper';

export const t = /* @__PURE__ */ catalogue(messages);

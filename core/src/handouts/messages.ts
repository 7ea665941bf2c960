import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/sheets';

export const t = /* @__PURE__ */ catalogue(messages);

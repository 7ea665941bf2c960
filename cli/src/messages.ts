import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/terminal';

export const t = /* @__PURE__ */ catalogue(messages);

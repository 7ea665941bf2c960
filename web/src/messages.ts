import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/shell';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/files';

export const t = /* @__PURE__ */ catalogue(messages);

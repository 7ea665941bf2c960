import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/recordings';

export const t = /* @__PURE__ */ catalogue(messages);

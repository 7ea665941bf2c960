import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/room';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/ui';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/server';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/calendar';

export const t = /* @__PURE__ */ catalogue(messages);

import { catalogue } from '@escalier/messages';
import messages from '@escalier/messages/counts';

/** "1 lesson", "3 lessons". */
export const counted = /* @__PURE__ */ catalogue(messages);

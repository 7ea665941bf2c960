export { useSession } from './session.ts';

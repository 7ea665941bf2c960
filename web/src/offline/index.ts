export { clearDevice, deviceAccount, fresh, leftHere, tellTabs, whenTold } from './device.ts';
export { useKeptList } from './kept-list.ts';
export { useLive } from './live.ts';
export { keptKey } from './kept-key.ts';
export { sealerOf } from './seal.ts';
export { useOutbox } from './store.ts';

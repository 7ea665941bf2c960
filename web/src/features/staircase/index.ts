export { passRuleWords } from './words.ts';

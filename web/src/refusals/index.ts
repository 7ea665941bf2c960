export { ApiError } from './api-error.ts';
export { refusalWords } from './field-words.ts';
export { PlainError } from './plain-error.ts';

export { ApiError, type Told } from './api-error.ts';
export { changeWords } from './change-words.ts';
export { refusalWords } from './field-words.ts';
export { PlainError } from './plain-error.ts';

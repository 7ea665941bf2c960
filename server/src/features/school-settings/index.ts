export { readCautions } from './cautions.ts';
export { schoolName } from './details.ts';
export { schoolRoutes } from './routes.ts';

export { readCautions } from './cautions.ts';
export { schoolRoutes } from './routes.ts';

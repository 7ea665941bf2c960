export { StaircaseEntity, StepEntity } from './entities.ts';
export { stepReadings } from './read-steps.ts';

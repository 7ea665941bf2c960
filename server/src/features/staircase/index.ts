export { StaircaseEntity, StepEntity, StepTuneEntity } from './entities.ts';
export { stepReadings } from './read-steps.ts';

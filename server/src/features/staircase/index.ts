export { StaircaseEntity, StepEntity, StepTuneEntity } from './entities.ts';
export { readStaircase } from './read-steps.ts';
export { stepsOfPlan, stepsWithTune } from './steps-with.ts';

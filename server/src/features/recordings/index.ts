export { RecordingEntity } from './entities.ts';
export { classRecordingRoutes, pupilRecordingRoutes, recordingRoutes } from './routes.ts';
export { eraseOld, keepHandIn, eraseRecordingsOf } from './service.ts';

export { takeDoorAway, type Slip } from './doors.ts';
export { DoorEntity, DoorKeyEntity, RoomEntity, type RoomTask } from './entities.ts';
export type { RoomAnswer, RoomFacts, RoomTune } from './room.ts';
export { classRoomRoutes, roomRoutes, schoolRoomRoutes, wordsDoor } from './routes.ts';
export type { RoomOfClass } from './service.ts';

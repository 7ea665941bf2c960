export { takeDoorAway } from './doors.ts';
export { DoorEntity, DoorKeyEntity, RoomEntity } from './entities.ts';
export { classRoomRoutes, roomRoutes, schoolRoomRoutes, wordsDoor } from './routes.ts';

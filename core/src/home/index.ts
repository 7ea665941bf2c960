export { DOOR_WORDS, doorWords, readDoorWords } from './door-words.ts';
export { MOST_PICTURE_NAMES, pictureName } from './picture-names.ts';
export { answered, isFingering, nextCard, noteCards, type NoteCard } from './rounds.ts';
export { tapped, TOGETHER_SECONDS, type TapKind, type Tapped, type TappedNote } from './tapping.ts';
export {
  FIRST_DAY,
  HOME_MINUTES,
  movedOn,
  tenMinutes,
  type HomeFacts,
  type HomePart,
  type HomePartKind,
  type HomeProgress,
  type HomeTask,
  type HomeTune,
} from './ten-minutes.ts';

export {
  finish,
  finishedNow,
  putAside,
  refuseAbsent,
  serialsThatCame,
  slotsBefore,
  takeUpAgain,
} from './finish'

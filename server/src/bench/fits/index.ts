export { finish, finishedNow, putAside, refuseAbsent, serialsThatCame, takeUpAgain } from './finish'

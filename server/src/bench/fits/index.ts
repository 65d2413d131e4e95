export { finish, finishedNow, refuseAbsent, serialsThatCame, takeUpAgain } from './finish'

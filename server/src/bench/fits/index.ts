export { finish, finishedNow, serialsThatCame } from './finish'

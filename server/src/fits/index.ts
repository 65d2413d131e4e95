export { finish, finishedNow } from './finish'

declare module 'fs-native-extensions' {
  /** Requests an exclusive lock on an open file; false where another holds it. */
  export function tryLock(descriptor: number): boolean
}

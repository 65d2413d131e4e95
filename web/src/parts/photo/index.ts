export type { FoundLine, OnPhotoProgress, PhotoReading } from './readPhoto'

/** The reader of pictures, loaded when the first one is to be read. */
export const loadReader = () => import('./readPhoto')

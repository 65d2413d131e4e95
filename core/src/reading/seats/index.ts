export { letterAndNumber, likeness, type Seating, seatingOf } from './seats'

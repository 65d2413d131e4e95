import {
  BookOpen,
  ClipboardList,
  DatabaseBackup,
  FlaskConical,
  HardDrive,
  Layers,
  PackageOpen,
  SlidersHorizontal,
} from 'lucide-react'

/** Where one can go from everywhere. */
export const PLACES = [
  { to: '/', name: 'Counter', icon: ClipboardList },
  { to: '/what-if', name: 'What if', icon: FlaskConical },
  { to: '/shelf', name: 'Shelf', icon: Layers },
  { to: '/orders', name: 'Orders', icon: PackageOpen },
  { to: '/machines', name: 'Machines', icon: HardDrive },
  { to: '/reference', name: 'Reference', icon: BookOpen },
  { to: '/settings', name: 'Settings', icon: SlidersHorizontal },
]

/** The same with what is gone to now and then, and not from the bar. */
export const ALL_PLACES = [...PLACES, { to: '/backups', name: 'Backups', icon: DatabaseBackup }]

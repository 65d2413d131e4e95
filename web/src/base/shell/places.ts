import {
  BookOpen,
  ClipboardList,
  DatabaseBackup,
  FlaskConical,
  HardDrive,
  Layers,
  SlidersHorizontal,
} from 'lucide-react'

/** Where one can go from everywhere. */
export const PLACES = [
  { to: '/', name: 'Counter', icon: ClipboardList },
  { to: '/what-if', name: 'What if', icon: FlaskConical },
  { to: '/shelf', name: 'Shelf', icon: Layers },
  { to: '/machines', name: 'Machines', icon: HardDrive },
  { to: '/reference', name: 'Reference', icon: BookOpen },
  { to: '/backups', name: 'Backups', icon: DatabaseBackup },
  { to: '/settings', name: 'Settings', icon: SlidersHorizontal },
]

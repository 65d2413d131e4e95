import type { Request } from 'express'
import { Guard } from './codes'

/** Wrong codes are counted by who sends them. */
export class Senders {
  private readonly guards = new Map<string, Guard>()

  guardOf({ socket }: Request): Guard {
    const sender = socket.remoteAddress ?? ''
    const guard = this.guards.get(sender) ?? new Guard()
    if (this.guards.size > MOST_SENDERS) this.guards.clear()
    this.guards.set(sender, guard)
    return guard
  }
}

const MOST_SENDERS = 1000

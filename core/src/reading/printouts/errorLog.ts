import type { ErrorLog } from '../../things/model'
import { isBlank, isPrompt, type PrintForm, systemRead } from './form'

/** Heading under which our own commands print the log, so that one without entries can be told from none taken. */
const HEADING =
  /^\s*(?:==\s*)?hardware errors(?:,? (since the start|kept in the log))?\s*(?:==|:)?\s*$/i
const KEPT = 'kept in the log'
const NONE = /^\s*\(?none(?: logged)?\)?\s*$/i

/** `EDAC MC0: 3 CE memory read error on DIMM_A1 (…)` of a kernel. */
const CONTROLLER = /\bEDAC MC\d+:\s*(\d+) (CE|UE)\b.*?(?:\bon (\S+))?(?:\s*\(|\s*$)/
/** Counters of a controller, with their path: `…/mc0/ce_count:0`; those of a slot have its label beside them. */
const COUNTER =
  /\/edac\/mc\/(mc\d+)\/(?:(dimm\d+|rank\d+|csrow\d+)\/)?(?:dimm_)?(ce_count|ue_count|label):(.*)$/
const MACHINE_CHECK = /\bMachine Check(?: Exception)?:|\bMachine check events? logged\b/i

/** An event of a log of instances: its message tells of whom and whether it was corrected. */
const EVENT = /^\s*Message\s*:\s*(.*)$/i
const HARDWARE = /\bhardware error\b/i
const CORRECTED = /\bcorrected\b/i
const MEMORY = /\b(?:Component|Reported by component)\s*:\s*Memory\b/i
const OTHER_PART = /\b(?:Component|Reported by component)\s*:\s*(?:PCI|Storage|Disk)/i

/** Fields of an event other than its message. */
const FIELD = /^\s*(?:TimeCreated|Id|ProviderName|LevelDisplayName)\s*:/i
/** Lines that stand beside those that count. */
const BESIDE = /\[Hardware Error\]|\bmce:|\bEDAC\b|\/edac\/mc\//

const isOwn = (line: string) =>
  CONTROLLER.test(line) || COUNTER.test(line) || MACHINE_CHECK.test(line) || NONE.test(line)

/** Errors of the hardware that a running system has logged or its memory controller has counted. */
export const errorLog: PrintForm = {
  name: 'errorLog',
  begins: /hardware error|EDAC MC|\/edac\/mc\/|machine check/i,
  read(lines, at) {
    const heading = HEADING.exec(lines[at] as string)
    const isEvent = EVENT.test(lines[at] as string) && HARDWARE.test(lines[at] as string)
    if (!heading && !isEvent && !isOwn(lines[at] as string)) return null
    const log = new Counted()
    let end = at + (heading ? 1 : 0)
    let hasEvents = isEvent
    for (let n = end; n < lines.length; n += 1) {
      const line = (lines[n] as string).slice(0, 500)
      if (isBlank(line)) continue
      if (isPrompt(line) || /^\s*==/.test(line)) break
      if (EVENT.test(line)) {
        const last = endOfEvent(lines, n)
        const text = lines.slice(n, last).join(' ')
        if (!HARDWARE.test(text)) break
        log.event(text)
        hasEvents = true
        end = last
        n = last - 1
      } else if (isOwn(line) || BESIDE.test(line)) {
        log.line(line)
        end = n + 1
      } else if (!(heading || hasEvents) || !FIELD.test(line)) break
    }
    // A heading with nothing beneath it that could be read says nothing.
    if (heading && end === at + 1) return null
    const kept = heading?.[1] ? heading[1] === KEPT : hasEvents
    return systemRead('system', { errorLog: log.sum(kept ? 'kept' : 'start') }, at, end)
  },
}

/** Where an event's message ends: its further lines are indented. */
function endOfEvent(lines: readonly string[], at: number): number {
  let end = at + 1
  for (let n = end; n < lines.length; n += 1) {
    if (isBlank(lines[n])) continue
    if (!/^\s/.test(lines[n] as string)) break
    end = n + 1
  }
  return end
}

/** Errors counted line by line. */
class Counted {
  private corrected = 0
  private uncorrected = 0
  private machineChecks = 0
  private readonly bySlot: Record<string, number> = {}
  private readonly labels = new Map<string, string>()
  private readonly counters = new Map<string, { ce: number; ue: number }>()
  private readonly slotCounters = new Map<string, number>()

  line(line: string): void {
    const counter = COUNTER.exec(line)
    const edac = CONTROLLER.exec(line)
    if (counter) this.counter(counter)
    else if (edac) {
      const count = Number(edac[1])
      if (edac[2] === 'CE') this.corrected += count
      else this.uncorrected += count
      if (edac[3]) this.bySlot[edac[3]] = (this.bySlot[edac[3]] ?? 0) + count
    } else if (MACHINE_CHECK.test(line)) this.machineChecks += 1
  }

  event(text: string): void {
    if (OTHER_PART.test(text)) return
    if (!MEMORY.test(text)) this.machineChecks += 1
    else if (CORRECTED.test(text)) this.corrected += 1
    else this.uncorrected += 1
  }

  private counter([, controller, place, kind, value = '']: RegExpExecArray): void {
    if (kind === 'label') {
      this.labels.set(`${controller}/${place}`, value.trim())
      return
    }
    const count = Number(value.trim()) || 0
    if (place) {
      if (count > 0) {
        const key = `${controller}/${place}`
        this.slotCounters.set(key, (this.slotCounters.get(key) ?? 0) + count)
      }
      return
    }
    const own = this.counters.get(controller as string) ?? { ce: 0, ue: 0 }
    if (kind === 'ce_count') own.ce = count
    else own.ue = count
    this.counters.set(controller as string, own)
  }

  /** A kernel's lines and its controller's counters tell of the same errors: the larger of the two counts. */
  sum(since: ErrorLog['since']): ErrorLog {
    const all = [...this.counters.values()]
    const ce = all.reduce((sum, one) => sum + one.ce, 0)
    const ue = all.reduce((sum, one) => sum + one.ue, 0)
    for (const [key, count] of this.slotCounters) {
      const slot = this.labels.get(key) || key
      this.bySlot[slot] = Math.max(this.bySlot[slot] ?? 0, count)
    }
    return {
      corrected: Math.max(this.corrected, ce),
      uncorrected: Math.max(this.uncorrected, ue),
      machineChecks: this.machineChecks,
      bySlot: this.bySlot,
      since,
    }
  }
}

import { learn, learnAll, MACHINE, plainLetters, SYSTEM, subjectOf } from '../facts'
import { isBlank, type PrintForm } from './form'

/** Names of lines that a system shows beside its use of memory, without accents. */
const SLOTS_USED =
  /^(?:SLOTS? (?:USED|IN USE)|VERWENDETE STECKPLATZE|EMPLACEMENTS UTILISES|RANURAS (?:USADAS|UTILIZADAS)|SLOT UTILIZZATI|(?:UZYWANE|WYKORZYSTANE) GNIAZDA|GEBRUIKTE SLEUVEN)\s*[:\t ]\s*(\d{1,2}) (?:OF|VON|SUR|DE|DI|Z|VAN) (\d{1,2})$/
const SPEED =
  /^(?:SPEED|GESCHWINDIGKEIT|VITESSE|VELOCIDAD|VELOCITA|SZYBKOSC|SNELHEID)\s*[:\t ]\s*(\d{3,5}) ?(?:MHZ|MT\/S)$/
const FORM =
  /^(?:FORM ?FACTOR|FORMFAKTOR|FACTEUR DE FORME|FACTOR DE FORMA|FATTORE DI FORMA|WSPOLCZYNNIK KSZTALTU|VORMFACTOR)\s*[:\t ]\s*(SO-?DIMM|DIMM)$/
/** The lines stand close to each other. */
const LONGEST = 8

/** Usage panel of a system: lines with the rate that memory runs at, the slots used of all, and the form factor. */
export const usagePanel: PrintForm = {
  name: 'usagePanel',
  begins:
    /^\s*(?:speed|geschw|vitesse|veloci|szybko|snelheid|slots?|verwendete|emplacements|ranuras|u[zż]ywane|wykorzystane|gebruikte|form|facteur|factor|fattore)/i,
  read(lines, at) {
    let slots: number | undefined
    let rate: number | undefined
    let form: 'DIMM' | 'SODIMM' | undefined
    let end = at
    for (let n = at; n < Math.min(lines.length, at + LONGEST) && !isBlank(lines[n]); n += 1) {
      const plain = plainLetters((lines[n] as string).slice(0, 120)).trim()
      const used = SLOTS_USED.exec(plain)
      const speed = SPEED.exec(plain)?.[1]
      const named = FORM.exec(plain)?.[1]
      if (used && Number(used[1]) <= Number(used[2])) slots = Number(used[2])
      if (speed) rate = Number(speed)
      if (named) form = named === 'DIMM' ? 'DIMM' : 'SODIMM'
      if (used || speed || named) end = n + 1
    }
    if (slots === undefined) return null
    const where = { line: at + 1 }
    const machine = subjectOf(MACHINE, 'readout', where)
    learn(machine, 'slotCount', slots)
    learn(machine, 'formFactor', form)
    const system = subjectOf(SYSTEM, 'readout', where)
    learnAll(system, { shownRate: rate })
    const observations = [...machine.observations, ...system.observations]
    return { format: 'system', observations, problems: [], end }
  },
}

import { Download } from 'lucide-react'
import { Disclosure } from '../../../../base/ui'
import { CopyCommand } from './CopyCommand'
import { ReportByCode } from './ReportByCode'

interface Family {
  /** How one tells the console: by its prompt. */
  name: string
  prompt: string
  /** The one command that gives the most, and one for machines without it. */
  commands: { label: string; command: string }[]
  script: { file: string; how: string }
  looks: string
}

const FAMILIES: Family[] = [
  {
    name: 'A console whose prompt ends in >',
    prompt: 'PS C:\\>',
    commands: [
      {
        label: 'Gives the most',
        command: 'Get-CimInstance Win32_PhysicalMemory, Win32_PhysicalMemoryArray | Format-List *',
      },
      { label: 'Older machines', command: 'wmic memorychip get /value' },
      {
        label: 'Hardware errors it has logged',
        command:
          "'hardware errors, kept in the log:'; $e = Get-WinEvent -LogName System | Where-Object ProviderName -like '*WHEA-Logger'; if ($e) { $e | Format-List TimeCreated, Id, Message } else { 'none' }",
      },
    ],
    script: { file: 'collect.ps1', how: 'powershell -ExecutionPolicy Bypass -File collect.ps1' },
    looks:
      'DeviceLocator        : DIMM_A2\nCapacity             : 8589934592\nConfiguredClockSpeed : 3200',
  },
  {
    name: 'A console whose prompt ends in $ or #',
    prompt: '$',
    commands: [
      { label: 'Gives the most', command: 'sudo od -A x -t x1 /sys/firmware/dmi/tables/DMI' },
      { label: 'Where that is not there', command: 'sudo lshw -C memory' },
      {
        label: 'Hardware errors it has logged, with the counters of error correction',
        command:
          "echo 'hardware errors, since the start:'; sudo journalctl -k --no-pager | grep -E 'EDAC MC[0-9]+: [0-9]+ [CU]E|[Mm]achine [Cc]heck' || echo none; grep . /sys/devices/system/edac/mc/mc*/*_count /sys/devices/system/edac/mc/mc*/dimm*/dimm_*",
      },
    ],
    script: { file: 'collect.sh', how: 'sudo sh collect.sh' },
    looks:
      '000000 11 54 25 00 24 00 fe ff 40 00 40 00 00 20 0d 00\n000010 01 02 1a 80 40 80 0c 03 04 05 06 01 00 00 00 00',
  },
]

/** How to get a report from the machine itself: a command to copy, or a script that prints everything. */
export function GetReport() {
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      summary={<span className="font-semibold">Get the report from the machine</span>}
    >
      <div className="grid gap-4 pb-2">
        {FAMILIES.map((family) => (
          <FamilyView key={family.name} {...family} />
        ))}
        <ReportByCode />
      </div>
    </Disclosure>
  )
}

function FamilyView({ name, commands, script, looks }: Family) {
  return (
    <section className="flex min-w-0 flex-col gap-2 text-sm">
      <h4 className="font-semibold">{name}</h4>
      {commands.map(({ label, command }) => (
        <CopyCommand key={command} label={label} command={command} />
      ))}
      <p>
        <a
          href={`/${script.file}`}
          download
          className="inline-flex min-h-11 items-center gap-1.5 font-semibold text-act underline"
        >
          <Download size={15} aria-hidden /> {script.file}
        </a>{' '}
        prints it all at once, with memory in use, page file and hardware errors logged, and changes
        nothing.
      </p>
      <CopyCommand label="Run it" command={script.how} />
      <p className="text-ink-2">It looks like this; paste it whole, prompt and all:</p>
      <pre className="overflow-x-auto bg-sheet-2 p-1.5 font-mono text-[0.8rem]">{looks}</pre>
    </section>
  )
}

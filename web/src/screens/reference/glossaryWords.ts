/** Words of the trade, in plain ones. */
export const GLOSSARY: readonly { word: string; means: string }[] = [
  {
    word: 'Bin',
    means: 'The letters behind a speed on a label. They stand for a set of timings.',
  },
  {
    word: 'BIOS/UEFI setup',
    means:
      'The screens of the firmware. Write its values down before changing one; a firmware update resets them.',
  },
  {
    word: 'Buffering',
    means:
      'Whether the module puts a chip between its memory and the controller. Unbuffered is usual; registered and load-reduced modules are for servers and workstations that ask for them.',
  },
  {
    word: 'CAMM2',
    means:
      'A flat module that is screwed down: no latch, no push. One fills both channels. LPCAMM2 is the same with low-power memory; it can be replaced, unlike soldered memory.',
  },
  {
    word: 'Channel',
    means:
      'One 64-bit way between controller and memory. Two channels filled evenly carry twice as much as one.',
  },
  {
    word: 'Channel interleaving',
    means: 'Spreading addresses over the channels, so that they work at the same time.',
  },
  {
    word: 'Chip density',
    means: 'How much one memory die holds, in Gbit. Old controllers cannot address dense ones.',
  },
  {
    word: 'CL, CAS latency',
    means:
      'Clocks from asking for data to the first of it. Compare it as time: CL × 2000 ÷ speed, in ns.',
  },
  {
    word: 'Clock',
    means:
      'Half the data rate, since data moves on both edges. A report that shows half the speed shows the clock.',
  },
  {
    word: 'Clocked (CUDIMM, CSODIMM)',
    means:
      'DDR5 modules with a clock driver of their own for high speeds. In an ordinary DDR5 slot they work with the driver bypassed, as plain modules; the firmware may have to be updated first.',
  },
  {
    word: 'DDR3L',
    means:
      'DDR3 that runs at 1.35 V, and at 1.5 V too. Plain DDR3 needs 1.5 V: it does not belong in a machine that supplies only 1.35 V.',
  },
  { word: 'Device width', means: 'How many bits one chip gives at a time: ×4, ×8 or ×16.' },
  {
    word: 'DIMM and SO-DIMM',
    means:
      'The long and the short form factor of module. SO-DIMMs go in laptops and many small desktops. Neither fits the other’s slot.',
  },
  {
    word: 'ECC',
    means:
      'Extra bits over the bus that correct single errors. Machine and modules must both support it; many desktops start with ECC modules and do not use it.',
  },
  {
    word: 'Filling order',
    means:
      'Which slots the maker wants filled first. The lettering and the manual decide, not the colours.',
  },
  {
    word: 'Flex',
    means:
      'Channels of unequal size: the equal part is interleaved over all of them, the rest over fewer.',
  },
  {
    word: 'Hardware reserved',
    means:
      'Memory that graphics and firmware keep: fitted and seen, but not the system’s to use. Integrated graphics can take up to a half. It is no fault of a module.',
  },
  {
    word: 'Identification contents',
    means:
      'A small memory on each module that says what it is. Its checksum tells whether it can be believed.',
  },
  {
    word: 'Kit',
    means: 'Modules packaged and tested together. Two kits of two are not a kit of four.',
  },
  {
    word: 'Label',
    means:
      'The line printed on a module: capacity, ranks and device width, generation and speed, form factor.',
  },
  {
    word: 'Memory profile',
    means:
      'A faster setting stored on the module, beyond the standard, often with more voltage. The firmware must be able to set it. Above the processor’s rating it may be unstable, and may cost the processor’s warranty.',
  },
  {
    word: 'Mixing',
    means:
      'Plain modules of different makers usually work together. What does not mix: registered with unbuffered; of registered modules, ×4 with ×8, stacked with plain, 72-bit with 80-bit.',
  },
  {
    word: 'Old modules',
    means:
      'They hold no data once unpowered. They go back to the customer, on the shelf, or to electronic waste, not in the bin.',
  },
  {
    word: 'On-die ECC',
    means:
      'DDR5 chips correct themselves inside. It does not protect the way to the processor and is not ECC.',
  },
  {
    word: 'Rank',
    means:
      'A set of chips that answers together. Two ranks on a channel help some work; many load the controller.',
  },
  {
    word: 'Registered',
    means:
      'Modules that buffer addresses for machines with much memory. Registered DDR5 has another notch and another supply voltage than unbuffered: it neither fits nor works in an unbuffered slot.',
  },
  {
    word: 'SMBIOS',
    means:
      'A table in which the firmware lists slots and modules. Convenient, and carelessly filled by many makers: it may list slots that are not there.',
  },
  {
    word: 'Soldered',
    means:
      'Memory fixed to the board. It cannot be taken out, and it counts on its channel like a module.',
  },
  {
    word: 'Speed',
    means: 'Transfers a second on each line, in MT/s: the data rate that labels and shops print.',
  },
  {
    word: 'Sub-channel',
    means: 'Half of a DDR5 module’s channel, 32 bits wide. Some reports count them as channels.',
  },
  {
    word: 'Synchronous (1:1)',
    means:
      'The controller runs at the memory clock. On some platforms above a ceiling it drops to half, and latency jumps; on others it always runs at half. The fabric follows the memory clock on some DDR4 platforms only; on DDR5 its own clock near 2,000 MHz is right.',
  },
  {
    word: 'Timings',
    means:
      'Four waits of a module in clocks: CL, tRCD, tRP, tRAS. In a mix the slowest of each counts.',
  },
  {
    word: 'Validated list',
    means:
      'Modules the board’s maker has tested. Listed for two is not listed for four; not listed means only untested.',
  },
]

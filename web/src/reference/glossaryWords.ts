/** Words of the trade, in plain ones. */
export const GLOSSARY: readonly { word: string; means: string }[] = [
  {
    word: 'Bank, soldered',
    means:
      'Memory fixed to the board. It cannot be taken out, and it counts on its channel like a module.',
  },
  { word: 'Bin', means: 'The letters behind a rate on a label. They stand for a set of timings.' },
  {
    word: 'Buffering',
    means:
      'Whether the module puts a chip between its memory and the controller. Unbuffered is usual; registered and load-reduced ones are for servers and workstations that ask for them.',
  },
  {
    word: 'Channel',
    means:
      'One 64-bit way between controller and memory. Two channels filled evenly carry twice as much as one.',
  },
  {
    word: 'Chip density',
    means: 'How much one memory die holds, in Gbit. Old controllers cannot address dense ones.',
  },
  { word: 'Device width', means: 'How many bits one chip gives at a time: ×4, ×8 or ×16.' },
  {
    word: 'CL, CAS latency',
    means:
      'Clocks from asking for data to the first of it. Compare it as time: CL × 2000 ÷ rate, in ns.',
  },
  {
    word: 'Clock',
    means:
      'Half the data rate, since data moves on both edges. A readout that shows half the rate shows the clock.',
  },
  {
    word: 'Data rate',
    means: 'Transfers a second on each line, in MT/s. It is what labels and shops mean by speed.',
  },
  {
    word: 'ECC',
    means: 'Extra bits that correct single errors. Machine and modules must both know it.',
  },
  {
    word: 'Filling order',
    means:
      'Which slots the maker wants filled first. The lettering and the manual decide, not the colours.',
  },
  {
    word: 'Flex',
    means: 'Channels of unequal size: the equal part runs over all of them, the rest over one.',
  },
  {
    word: 'Identification contents',
    means:
      'A small memory on each module that says what it is. Its checksum tells whether it can be believed.',
  },
  {
    word: 'Interleaving',
    means: 'Spreading addresses over the channels, so that they work at the same time.',
  },
  {
    word: 'Kit',
    means: 'Modules packaged and tested together. Two kits of two are not a kit of four.',
  },
  {
    word: 'Label',
    means: 'The line printed on a module: capacity, ranks and width, generation and rate, form.',
  },
  {
    word: 'Memory profile',
    means:
      'A faster setting kept on the module, beyond the standard. The firmware must apply it, and it may be unstable.',
  },
  {
    word: 'Rank',
    means:
      'A set of chips that answers together. Two ranks on a channel help some work; many load the controller.',
  },
  {
    word: 'Small-outline',
    means:
      'The short form of module, for laptops and small desktops. It does not go into a full-size slot, nor the other way.',
  },
  {
    word: 'SMBIOS',
    means:
      'A table in which the firmware lists slots and modules. Convenient, and carelessly filled by many makers.',
  },
  {
    word: 'Sub-channel',
    means: 'Half of a DDR5 module’s channel, 32 bits wide. Some readouts count them as channels.',
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

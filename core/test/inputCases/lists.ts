/** A price list as a supplier sends it, and what its rows say: price in units of money; null for what is not said. */
export interface ListCase {
  text: string
  /** By part number; a row that makes no offer is left out. */
  rows: Readonly<
    Record<string, { price: number; stock?: number | null; leadDays?: number | null; gib?: number }>
  >
}

const row = (article: string, rest: string) => `${article};8GB DDR4-3200 SO-DIMM;${rest}`
const list = (headings: string, ...rows: string[]) =>
  [`Part no;Text;${headings}`, ...rows.map((one, at) => row(`K-${at + 1}`, one))].join('\n')

const NBSP = '\u00a0'
const NARROW = '\u202f'

export const PRICE_LISTS: readonly ListCase[] = [
  {
    text: list('Price', '21.50', '1071.00'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 1071 } },
  },
  {
    text: list('Preis', '21,50', '1.071,00'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 1071 } },
  },
  {
    text: list('Prix', '21,50', '1 234,50'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 1234.5 } },
  },
  {
    text: list('Prix TTC', '21,50 €', `1${NBSP}234,50${NBSP}€`),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 1234.5 } },
  },
  {
    text: list('Prix', `1${NARROW}234,50`, '99,90'),
    rows: { 'K-1': { price: 1234.5 }, 'K-2': { price: 99.9 } },
  },
  {
    text: list('Price', "1'234.50", '99.90'),
    rows: { 'K-1': { price: 1234.5 }, 'K-2': { price: 99.9 } },
  },
  {
    text: list('Price', '1’234.50', '99.90'),
    rows: { 'K-1': { price: 1234.5 }, 'K-2': { price: 99.9 } },
  },
  {
    text: list('Price', '1,234.50', '99.90'),
    rows: { 'K-1': { price: 1234.5 }, 'K-2': { price: 99.9 } },
  },
  {
    text: list('Price', '1,234', '2,345', '99'),
    rows: { 'K-1': { price: 1234 }, 'K-2': { price: 2345 }, 'K-3': { price: 99 } },
  },
  {
    text: list('Preis', '1.234', '2.345', '99'),
    rows: { 'K-1': { price: 1234 }, 'K-2': { price: 2345 }, 'K-3': { price: 99 } },
  },
  {
    text: list('Preis netto', '12,345', '9,870', '8,500'),
    rows: { 'K-1': { price: 12.345 }, 'K-2': { price: 9.87 }, 'K-3': { price: 8.5 } },
  },
  {
    text: list('Precio', '21,50', '1.071,00'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 1071 } },
  },
  {
    text: list('EUR/GB;Price', '2.70;21.50', '2.80;22.40'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 22.4 } },
  },
  {
    text: list('Price per GB;Price EUR', '2.70;21.50', '2.80;22.40'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 22.4 } },
  },
  {
    text: list('Price from 10 pcs;Price', '19.00;21.50', '20.00;22.40'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 22.4 } },
  },
  {
    text: list('Price;Price from 10 pcs', '21.50;19.00', '22.40;20.00'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 22.4 } },
  },
  {
    text: list('RRP;Net price', '29.00;21.50', '30.00;22.40'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 22.4 } },
  },
  {
    text: list('Price;Stock', '21.50;12', '22.40;0'),
    rows: { 'K-1': { price: 21.5, stock: 12 }, 'K-2': { price: 22.4, stock: 0 } },
  },
  {
    text: list('Price;Stock', '21.50;>50', '22.40;out of stock'),
    rows: { 'K-1': { price: 21.5, stock: 50 }, 'K-2': { price: 22.4, stock: 0 } },
  },
  {
    text: list('Price;Stock', '21.50;from 2 pcs', '22.40;expected 12.04.2026'),
    rows: { 'K-1': { price: 21.5, stock: null }, 'K-2': { price: 22.4, stock: null } },
  },
  {
    text: list('Preis;Lager', '21,50;12', '22,40;nicht lieferbar'),
    rows: { 'K-1': { price: 21.5, stock: 12 }, 'K-2': { price: 22.4, stock: 0 } },
  },
  {
    text: list('Preis;Bestand', '21,50;1.200', '22,40;35'),
    rows: { 'K-1': { price: 21.5, stock: 1200 }, 'K-2': { price: 22.4, stock: 35 } },
  },
  {
    text: list('Prix;Disponible', '21,50;12', '22,40;rupture'),
    rows: { 'K-1': { price: 21.5, stock: 12 }, 'K-2': { price: 22.4, stock: 0 } },
  },
  {
    text: list('Price;Delivery', '21.50;3-5 days', '22.40;2 weeks'),
    rows: { 'K-1': { price: 21.5, leadDays: 5 }, 'K-2': { price: 22.4, leadDays: 14 } },
  },
  {
    text: list('Preis;Lieferzeit', '21,50;3-5 Tage', '22,40;2 Wochen'),
    rows: { 'K-1': { price: 21.5, leadDays: 5 }, 'K-2': { price: 22.4, leadDays: 14 } },
  },
  {
    text: list('Price;Delivery', '21.50;expected 12.04.2026', '22.40;1 day'),
    rows: { 'K-1': { price: 21.5, leadDays: null }, 'K-2': { price: 22.4, leadDays: 1 } },
  },
  {
    text: list('Price', '€ 21.50', '$ 22.40'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 22.4 } },
  },
  {
    text: list('Price', '21.50 EUR', '22.40 EUR'),
    rows: { 'K-1': { price: 21.5 }, 'K-2': { price: 22.4 } },
  },
  { text: list('Price', '21.-', '22.40'), rows: { 'K-1': { price: 21 }, 'K-2': { price: 22.4 } } },
  { text: list('Preis', '21,--', '22,40'), rows: { 'K-1': { price: 21 }, 'K-2': { price: 22.4 } } },
  { text: list('Price', 'on request', '22.40'), rows: { 'K-2': { price: 22.4 } } },
  {
    text: 'Artikelnummer;Bezeichnung;Preis;Bestand\nK-1;16 GB (2 x 8) DDR4-3200 SO-DIMM;61,00;4\nK-2;8 Go DDR4-2666 SO-DIMM;22,00;5',
    rows: { 'K-1': { price: 61, stock: 4, gib: 8 }, 'K-2': { price: 22, stock: 5, gib: 8 } },
  },
  {
    text: 'Référence;Désignation;Prix;Stock\nK-1;Barrette 8 Go DDR4-3200 SO-DIMM;22,00;5',
    rows: { 'K-1': { price: 22, stock: 5, gib: 8 } },
  },
  {
    text: 'Referencia;Descripción;Precio;Existencias\nK-1;8 GB DDR4-3200 SO-DIMM;22,00;5',
    rows: { 'K-1': { price: 22, stock: 5, gib: 8 } },
  },
  {
    text: 'Part no,Text,Price\nK-1,8GB DDR4-3200 SO-DIMM,"1,234.50"\nK-2,8GB DDR4-3200 SO-DIMM,99.90',
    rows: { 'K-1': { price: 1234.5 }, 'K-2': { price: 99.9 } },
  },
]

/** A log of memory in use: the GiB of its samples with so much installed, and how many columns may mislead. */
export interface LogCase {
  text: string
  installedGiB: number
  /** GiB in use, sample by sample. */
  gib: readonly number[]
}

export const MEMORY_LOGS: readonly LogCase[] = [
  { text: 'Time,Memory used (MB)\n1,8192\n2,9216', installedGiB: 16, gib: [8, 9] },
  { text: 'Zeit;Speicher belegt (MB)\n1;8192\n2;9216', installedGiB: 16, gib: [8, 9] },
  { text: 'Time,gpu_mem_used,mem_used\n1,2048,8192\n2,2048,9216', installedGiB: 16, gib: [8, 9] },
  {
    text: 'Time,CPU Power [W],Memory used [MB]\n1,65,8192\n2,66,9216',
    installedGiB: 16,
    gib: [8, 9],
  },
  { text: 'Time,CPU Power [W],RAM [GB]\n1,65,8\n2,66,9', installedGiB: 16, gib: [8, 9] },
  {
    text: 'Time,Committed (MB),In use (MB)\n1,20480,8192\n2,20480,9216',
    installedGiB: 16,
    gib: [8, 9],
  },
  { text: 'Time,Available (MB)\n1,8192\n2,7168', installedGiB: 16, gib: [8, 9] },
  {
    text: 'Time,Available (MB),In use (MB)\n1,8000,8192\n2,7000,9216',
    installedGiB: 16,
    gib: [8, 9],
  },
  {
    text: '"(PDH-CSV 4.0)","\\\\PC\\Memory\\Available MBytes"\n"07/01/2030 10:00:00","8192"\n"07/01/2030 10:00:01","7168"',
    installedGiB: 16,
    gib: [8, 9],
  },
  {
    text: '"(PDH-CSV 4.0)","\\\\PC\\Memory\\Pages Input/sec","\\\\PC\\Memory\\Available MBytes"\n"07/01/2030 10:00:00","3","8192"\n"07/01/2030 10:00:01","4","7168"',
    installedGiB: 16,
    gib: [8, 9],
  },
  { text: 'Time,os,used_bytes\n1,10,8589934592\n2,10,9663676416', installedGiB: 16, gib: [8, 9] },
  { text: 'Time,Memory used %\n1,50\n2,56.25', installedGiB: 16, gib: [8, 9] },
  { text: 'Time,Memory used [KB]\n1,8388608\n2,9437184', installedGiB: 16, gib: [8, 9] },
  {
    text: 'Machine: Laptop 14\nMemory: 16 GB\nProcessor: 6 cores\n\nTime,Memory used (MB)\n1,8192\n2,9216',
    installedGiB: 16,
    gib: [8, 9],
  },
  { text: 'Time;Memory used (GB)\n1;8,0\n2;9,0', installedGiB: 16, gib: [8, 9] },
  { text: 'Time,Mémoire utilisée (Mo)\n1,8192\n2,9216', installedGiB: 16, gib: [8, 9] },
  {
    text: 'Time,Virtual memory (MB),Physical memory used (MB)\n1,20000,8192\n2,21000,9216',
    installedGiB: 16,
    gib: [8, 9],
  },
  {
    text: 'Time,Memory clock [MHz],Memory used [MB]\n1,1600,8192\n2,1600,9216',
    installedGiB: 16,
    gib: [8, 9],
  },
  {
    text: 'Time,Memory temperature,Memory used [MB]\n1,45,8192\n2,46,9216',
    installedGiB: 16,
    gib: [8, 9],
  },
]

import type { Page } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { drawn, expect, holdRequests, newJob, openJob, test } from './fixtures'

const together = (text: string) => text.replace(/\s+/g, '')

/** Saves the paper that is shown, and reads the file: its name, and size and text of each sheet. */
async function savedPdf(page: Page) {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ])
  const chunks: Buffer[] = []
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer)
  const file = await getDocument({ data: new Uint8Array(Buffer.concat(chunks)), verbosity: 0 })
    .promise
  const sheets = await Promise.all(
    Array.from({ length: file.numPages }, async (_, at) => {
      const sheet = await file.getPage(at + 1)
      const { items } = await sheet.getTextContent()
      const text = together(items.map((item) => ('str' in item ? item.str : '')).join(''))
      return { size: sheet.view.slice(2).map(Math.round), text }
    }),
  )
  return { name: download.suggestedFilename(), sheets }
}

/** What the paper on the screen says, piece by piece. */
const shown = async (page: Page) => {
  await page.emulateMedia({ media: 'print' })
  const text = await page.getByRole('main').innerText()
  await page.emulateMedia({ media: 'screen' })
  return text
    .split(/[\n\t]+/)
    .map(together)
    .filter((piece) => piece !== '')
}

const PAPERS = [
  { customer: 'Aldwin', step: 'plan', path: 'sheet', name: /^Job \d+ memory plan\.pdf$/ },
  { customer: 'Aldwin', step: 'quote', path: 'quote-sheet', name: /^Job \d+ quote\.pdf$/ },
  { customer: 'Farrow', step: 'handover', path: 'report', name: /^Job \d+ report\.pdf$/ },
  { customer: 'Adair', step: 'fit', path: 'labels', name: /^Job \d+ labels\.pdf$/ },
] as const

test('a paper saved as PDF says what the page says, on every sheet whose job it is', async ({
  page,
  app,
}) => {
  for (const { customer, step, path, name } of PAPERS) {
    await openJob(page, app, customer, step)
    await page.goto(page.url().replace(/\/[^/]*$/, `/${path}`))
    const pdf = await savedPdf(page)
    expect(pdf.name).toMatch(name)
    const whole = pdf.sheets.map(({ text }) => text).join('')
    for (const piece of await shown(page)) expect(whole).toContain(piece)
    for (const [at, { size, text }] of pdf.sheets.entries()) {
      expect(size).toEqual([595, 842])
      expect(text).toMatch(new RegExp(`Job\\d+·.*${at + 1}/${pdf.sheets.length}$`))
    }
  }
})

for (const late of ['models', 'shop', 'learned']) {
  test(`a quote is not put on paper before what it rests on is read: ${late}`, async ({
    page,
    app,
  }) => {
    await openJob(page, app, 'Aldwin', 'quote')
    const address = page.url().replace(/\/[^/]*$/, '/quote-sheet')
    const answer = await holdRequests(page, new RegExp(`/api/v1/${late}(\\?|$)`))
    const others = [/\/jobs\/[\w-]+$/, /\/modules\?/].map((one) => page.waitForResponse(one))
    await page.goto(address)
    await Promise.all(others)
    await drawn(page)
    await expect(page.getByText('Opening the job…')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Save as PDF' })).toHaveCount(0)
    answer()
    await expect(page.getByRole('button', { name: 'Save as PDF' })).toBeVisible()
  })
}

test('a quote whose machine’s record cannot be read is not worked out without it', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Aldwin', 'quote')
  const address = page.url().replace(/\/[^/]*$/, '/quote-sheet')
  await page.route('**/api/v1/models*', (route) => route.fulfill({ status: 500, json: {} }))
  await page.goto(address)
  await expect(page.getByRole('heading', { name: 'The job cannot be read' })).toBeVisible()
  await page.unroute('**/api/v1/models*')
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('button', { name: 'Save as PDF' })).toBeVisible()
})

test('a note longer than a sheet is whole in the PDF, and nobody signs an empty sheet', async ({
  page,
  app,
}) => {
  const slots = { A: '8GB 1Rx8' }
  const { address, id } = await newJob(page, app, 'Ελένη Ковальчук Łukasz', 'Heron 15', slots)
  const send = async (kind: string, data: object) =>
    (await page.request.post(`${app.address}/api/v1/${kind}`, { data })).json()
  const plan = await send('plans', { jobId: id, name: 'As it is' })
  const sentences = Array.from({ length: 150 }, (_, at) => `This is sentence ${at} of the note.`)
  const blank = { title: '', wording: null, minutes: null, credits: {}, extras: [] }
  const option = { id: crypto.randomUUID(), planId: plan.id, ...blank }
  await send('quotes', { jobId: id, options: [option], note: sentences.join(' ') })
  await page.goto(`${address}/quote-sheet`)
  const { sheets } = await savedPdf(page)
  expect(sheets.length).toBeGreaterThan(1)
  const whole = sheets.map(({ text }) => text.replace(/Job\d+·\D+\d+\/\d+$/, '')).join('')
  for (const sentence of sentences) expect(whole).toContain(together(sentence))
  expect(whole).toContain(together('Ελένη Ковальчук Łukasz'))
  const last = sheets.at(-1)?.text ?? ''
  expect(last).toContain('Nameandsignature')
  expect(last).toContain('notapromise.')
})

test('letters that no font has are named, and the file is not made', async ({ page, app }) => {
  const { address } = await newJob(page, app, '鈴木 Ltd', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/sheet`)
  await page.getByRole('button', { name: 'Save as PDF' }).click()
  await expect(page.getByRole('alert')).toContainText('A PDF cannot have these letters: 鈴 木')
})

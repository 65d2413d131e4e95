import { readFileSync, writeFileSync } from 'node:fs'
import { startApplication } from './application'
import { expect, test } from './fixtures'

test('a backup is made, fetched, imported and restored from the page', async ({
  page,
}, testInfo) => {
  test.setTimeout(240_000)
  const app = await startApplication()
  try {
    const read = async (path: string) => (await page.request.get(`${app.address}${path}`)).json()
    const before = await read('/api/v1/jobs')
    await page.goto(`${app.address}/backups`)
    await page.getByRole('button', { name: 'Make one now' }).click()
    await expect(page.getByRole('cell', { name: 'nightly or on demand' })).toBeVisible()

    // Work goes on after it.
    const [model] = await read('/api/v1/models')
    const late = { customer: { name: 'Late Comer' }, machine: { machine: model.machine } }
    await page.request.post(`${app.address}/api/v1/jobs`, { data: { ...late, complaint: 'late' } })
    expect(await read('/api/v1/jobs')).toHaveLength(before.length + 1)

    const download = page.waitForEvent('download')
    await page.getByRole('link', { name: /^Download the backup/ }).click()
    const whole = testInfo.outputPath('whole.tar.gz')
    await (await download).saveAs(whole)
    const cut = testInfo.outputPath('cut.tar.gz')
    writeFileSync(cut, readFileSync(whole).subarray(0, 100_000))
    await page.getByLabel('Backup file').setInputFiles(cut)
    await expect(page.getByRole('alert')).toContainText('no backup that can be restored')

    await page.getByLabel('Backup file').setInputFiles(whole)
    const imported = page.getByRole('row', { name: /imported/ })
    await imported.getByRole('button', { name: /^Restore/ }).click()
    const dialog = page.getByRole('dialog')
    // The backup is unpacked and opened to look into it, which a busy machine takes its time for.
    await expect(dialog).toContainText(`${before.length} jobs`, { timeout: 100_000 })
    await dialog.getByRole('button', { name: 'Leave all as it is' }).click()
    expect(await read('/api/v1/jobs')).toHaveLength(before.length + 1)

    await imported.getByRole('button', { name: /^Restore/ }).click()
    await dialog.getByRole('button', { name: 'Restore it' }).click()
    await page.waitForURL(`${app.address}/`)
    await expect(page.getByRole('row').nth(1)).toBeVisible()
    expect(await read('/api/v1/jobs')).toEqual(before)
  } finally {
    await app.end()
  }
})

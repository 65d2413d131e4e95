import { once } from 'node:events'
import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { checkAlone } from './base/backups'
import { folderFrom } from './settings'

// npm run restore -- FILE: checks a backup and, once that is confirmed, puts it in the place of what is there.
process.umask(0o077)
const folder = folderFrom(process.env)
const file = process.argv[2]
try {
  if (!file) throw new Error('Which backup? npm run restore -- FILE')
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`)
  const { manifest, jobs, modules, restore, leave } = await checkAlone(resolve(file), folder)
  console.log(
    `Made ${manifest.madeAt}; ${jobs} jobs, ${modules} modules. Every file of it is whole.`,
  )
  const ask = createInterface({ input: process.stdin, output: process.stdout })
  const question = ask.question(`Put it in the place of what is in ${folder}? yes or no: `)
  // Where nobody is there to answer, the answer is no.
  const answer = await Promise.race([question, once(ask, 'close').then(() => '')])
  ask.close()
  if (answer.trim().toLowerCase() === 'yes') {
    const kept = await restore()
    console.log(kept ? `Restored. What was there is kept in ${kept}.` : 'Restored.')
  } else {
    await leave()
    console.log('Nothing was changed.')
    process.exitCode = 1
  }
} catch (error) {
  console.error((error as Error).message)
  process.exitCode = 1
}

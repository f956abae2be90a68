import { expect } from '@playwright/test'
import { writeJobFile } from '@/src/core/job/job-file'
import { createDemoJob } from '@/src/core/practice/demo'
import { Technician } from '@/tests/e2e/technician'
import { test } from '@/tests/e2e/test'

const job = { ...createDemoJob('from-a-colleague', new Date('2026-05-04T09:10:00Z')) }
const text = writeJobFile(job)
const file = (body: string) => ({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(body) })

test('a torn job file says what is whole and what to do, and opens that much', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  const region = page.getByRole('region', { name: 'Open a job file' })
  await region.locator('input').setInputFiles(file('{"what": "is this"}'))
  await expect(region.getByRole('alert')).toContainText('This is not a job file')
  await region.locator('input').setInputFiles(file(text.slice(0, text.length - 60)))
  await expect(region.getByRole('alert')).toContainText(`${job.entries.length - 1} entries are whole and can be opened`)
  await technician.taps('Open what is whole')
  await expect(page.getByRole('banner')).toContainText('14 Alder Court')
})

test('the same file again is harmless; one that went on differently opens as a job of its own', async ({ page }) => {
  const technician = new Technician(page)
  await technician.opensTheApp()
  const region = page.getByRole('region', { name: 'Open a job file' })
  await region.locator('input').setInputFiles(file(text))
  await expect(page).toHaveURL(/from-a-colleague/)
  await technician.opensTheApp()
  const other = writeJobFile({
    ...job,
    entries: job.entries.map((entry) =>
      entry.kind === 'complaint' ? { ...entry, complaint: { ...entry.complaint, words: 'Something else.' } } : entry,
    ),
  })
  await region.locator('input').setInputFiles(file(other))
  await expect(region.getByRole('alert')).toContainText('went on differently')
  await technician.taps('Open as a job of its own')
  await expect(page.getByRole('banner')).toContainText('Something else.')
})

import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { fillDemo } from '../server/demo/fillDemo'
import { openStore } from '../server/keeping/openStore'
import { serve } from '../server/serve'

/** One picture of each main view, from the demo data: `npm run screenshots [folder] [name …]`. Build first. */
const [asked = 'docs/screenshots', ...only] = process.argv.slice(2)
const folder = resolve(asked)
mkdirSync(folder, { recursive: true })
const scratch = mkdtempSync(join(tmpdir(), 'tideline-shots-'))
// what a picture shows of places is a shop's, not this machine's
process.chdir(scratch)
const database = join('data', 'shop.sqlite')
const db = await openStore(database)
await fillDemo(db)
await db.destroy()
const served = await serve({ database, port: 0 })
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--use-angle=swiftshader', '--enable-unsafe-swiftshader', '--disable-background-networking'],
})

const jobs = ((await (await fetch(`${served.address}/api/jobs`)).json()) as { rows: { id: string; title: string }[] }).rows
const job = (title: string) => `/jobs/${jobs.find((j) => j.title.startsWith(title))?.id}`

type Shot = { name: string; path: string; width?: number; height?: number; dark?: boolean; before?: (page: Page) => Promise<void> }
const shots: Shot[] = [
  {
    name: 'slipway',
    path: '/',
    before: async (p) => {
      await p.getByText('not worked out yet').first().waitFor({ state: 'detached', timeout: 60_000 })
    },
  },
  {
    name: 'days',
    path: '/days',
    before: async (p) => {
      await p.getByRole('button', { name: /Hoop basket/ }).click()
      await p.getByRole('button', { name: /^Powder coat, / }).click()
      await p.getByRole('region', { name: 'Calendar of all jobs' }).evaluate((e) => e.scrollTo(0, 120))
    },
  },
  {
    name: 'buy',
    path: '/buy',
    before: async (p) => {
      await p.getByRole('button', { name: 'Plan the bars of all jobs together' }).click()
      await p.getByText(/ together, /).waitFor({ timeout: 30_000 })
    },
  },
  {
    name: 'inside',
    path: `${job('Panel')}/fit?part=inside`,
    before: async (p) => {
      await p.getByRole('button', { name: 'Stow them so' }).click()
      await p.waitForTimeout(800)
    },
  },
  {
    name: 'measure',
    path: `${job('Basket')}/measure?sheet=bed`,
    before: async (p) => {
      await p.getByLabel('Width inside at the rear', { exact: true }).focus()
    },
  },
  {
    name: 'sheet',
    path: `${job('Half guard')}/cut?sheet=flat`,
    height: 1000,
    before: async (p) => {
      await p.getByRole('button', { name: 'Run it on the simulated table' }).first().click({ timeout: 20_000 })
      await p.getByRole('figure', { name: /simulated table/ }).waitFor({ timeout: 20_000 })
    },
  },
  { name: 'layout', path: `${job('Pole')}/layout` },
  {
    name: 'layout-3d',
    path: `${job('Hoop')}/layout`,
    before: async (p) => {
      await p.getByRole('button', { name: '3D', exact: true }).click()
      await p.waitForTimeout(4000)
    },
  },
  {
    name: 'working',
    path: `${job('Pole')}/loads`,
    before: async (p) => {
      await p
        .getByRole('button', { name: /Sampling poles.*overhang: show/ })
        .first()
        .click()
      await p.getByText('→').first().waitFor()
      await p.waitForTimeout(300)
    },
  },
  {
    name: 'loads',
    path: `${job('Pole')}/loads`,
    before: async (p) => {
      await p.waitForTimeout(1200)
    },
  },
  {
    name: 'cut',
    path: `${job('Spar')}/cut`,
    before: async (p) => {
      await p.getByRole('heading', { name: 'If only one length' }).waitFor({ timeout: 20_000 })
    },
  },
  {
    name: 'hand-over',
    path: `${job('Panel')}/hand-over`,
    before: async (p) => {
      await p.getByText('Price', { exact: true }).waitFor({ timeout: 20_000 })
    },
  },
  {
    name: 'fit',
    path: `${job('Hoop')}/fit`,
    before: async (p) => {
      await p.getByText('Once the swing arm stands aside.').waitFor({ timeout: 60_000 })
      await p.getByRole('slider', { name: 'Swing arm: how far' }).focus()
      for (let i = 0; i < 8; i++) await p.keyboard.press('PageUp')
      await p.waitForTimeout(1500)
    },
  },
  {
    name: 'tube',
    path: `${job('Hoop')}/cut?sheet=tube`,
    before: async (p) => {
      await p.getByRole('table', { name: 'Bends of HF' }).waitFor({ timeout: 20_000 })
    },
  },
  { name: 'client-page', path: `/api${job('Hoop')}/client.html`, width: 900, height: 1100 },
  {
    name: 'one-step',
    path: `${job('Hoop')}/cut?sheet=build`,
    width: 360,
    height: 900,
    before: async (p) => {
      const done = p.getByRole('button', { name: /^Done/ })
      await done.waitFor({ timeout: 20_000 })
      await p.getByRole('combobox', { name: 'Who works here' }).fill('Maren')
      await p.getByRole('button', { name: /^Kit, / }).click()
      await p.getByRole('button', { name: 'All of it is here' }).click()
      await p.getByRole('button', { name: 'One step at a time' }).click()
      // up to the saw, the first step that has parts
      for (let i = 0; i < 3; i++) await done.click()
      await p.getByRole('list', { name: 'Stop settings' }).waitFor()
      await p.getByRole('heading', { name: 'Cut to length' }).scrollIntoViewIfNeeded()
      await p.evaluate(() => document.querySelector('h3')?.scrollIntoView())
      await p.waitForTimeout(500)
    },
  },
  { name: 'vehicles', path: '/vehicles' },
  {
    name: 'pieces',
    path: `${job('Basket')}/layout`,
    before: async (p) => {
      await p.getByRole('button', { name: /^B Guard and crate rails/ }).click()
      await p.waitForTimeout(800)
    },
  },
  {
    name: 'shop',
    path: '/shop',
    before: async (p) => {
      await p.getByRole('heading', { name: 'What it can do itself' }).waitFor()
    },
  },
]
for (const shot of shots.filter((s) => !only.length || only.includes(s.name))) {
  const page = await browser.newPage({
    viewport: { width: shot.width ?? 1280, height: shot.height ?? 800 },
    colorScheme: shot.dark ? 'dark' : 'light',
  })
  page.on('pageerror', (e) => console.error(shot.name, e.message))
  page.on('console', (m) => m.type() === 'error' && console.error(shot.name, m.text()))
  await page.goto(served.address + shot.path)
  await page.waitForLoadState('networkidle')
  if (/^\/jobs\//.test(shot.path)) await page.getByText('Governs').waitFor()
  await shot.before?.(page)
  await page.screenshot({ path: join(folder, `${shot.name}.png`) })
  await page.close()
}
await browser.close()
await served.close()
rmSync(scratch, { recursive: true })
process.exit(0)

import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { fillDemo } from '../server/demo/fillDemo'
import { openStore } from '../server/keeping/openStore'
import { serve } from '../server/serve'

const percentile = (list: number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]

/** The built interface in headless Chromium: frames while a bar is dragged, and the wait from a key press to the new figure in the gauge. */
export async function dragBench(): Promise<string[][]> {
  const browserPath = process.env.CHROMIUM ?? '/usr/bin/chromium'
  if (!existsSync(browserPath) || !existsSync('dist/index.html')) return [['drag', 'not run', 'needs Chromium and a build (npm run build)']]
  const folder = mkdtempSync(join(tmpdir(), 'tideline-bench-'))
  const database = join(folder, 'shop.sqlite')
  const db = await openStore(database)
  await fillDemo(db)
  await db.destroy()
  const served = await serve({ database, port: 0 })
  const browser = await chromium.launch({ executablePath: browserPath, args: ['--no-sandbox', '--disable-background-networking'] })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  // the loader that runs this file names functions with a helper that the page does not have
  await page.addInitScript('globalThis.__name = (f) => f')
  await page.goto(served.address)
  await page.getByRole('list', { name: 'Jobs' }).waitFor()
  await page.waitForLoadState('networkidle')
  await page.getByRole('link', { name: 'Pole and case rack' }).click()
  await page.getByText('Governs').waitFor()
  const bar = page.getByRole('group', { name: 'Plan view' }).getByRole('slider', { name: 'Bar 3' })
  const box = await bar.boundingBox()
  if (!box) throw new Error('the bar is not drawn')
  const [x, y] = [box.x + box.width / 2, box.y + box.height - 14]

  await page.evaluate(() => {
    const frames: number[] = []
    let last = performance.now()
    const tick = () => {
      const now = performance.now()
      frames.push(now - last)
      last = now
      requestAnimationFrame(tick)
    }
    requestAnimationFrame(tick)
    Object.assign(window, { benchFrames: frames })
  })
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.evaluate(() => ((window as unknown as { benchFrames: number[] }).benchFrames.length = 0))
  for (let i = 0; i < 120; i++) await page.mouse.move(x - 60 + 60 * Math.cos(i / 10), y)
  const frames = await page.evaluate(() => [...(window as unknown as { benchFrames: number[] }).benchFrames])
  await page.mouse.up()

  const waits: number[] = []
  await bar.focus()
  for (let i = 0; i < 30; i++) {
    waits.push(
      await page.evaluate(
        (key) => {
          const target = document.activeElement as SVGElement
          const gauge = document.querySelector('[aria-label="Tide gauge: limits"]') as HTMLElement
          const started = performance.now()
          return new Promise<number>((resolve) => {
            const observer = new MutationObserver(() => {
              observer.disconnect()
              resolve(performance.now() - started)
            })
            observer.observe(gauge, { subtree: true, childList: true, characterData: true, attributes: true })
            target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
          })
        },
        i % 2 ? 'ArrowRight' : 'ArrowLeft',
      ),
    )
    await page.waitForTimeout(60)
  }
  await browser.close()
  await served.close()
  rmSync(folder, { recursive: true })
  return [
    [
      'drag a bar, three views',
      `${(1000 / percentile(frames, 0.5)).toFixed(0)} frames a second`,
      `median ${percentile(frames, 0.5).toFixed(1)} ms, 95 % within ${percentile(frames, 0.95).toFixed(1)} ms a frame`,
    ],
    [
      'key press to new figures in the gauge',
      `${percentile(waits, 0.5).toFixed(0)} ms`,
      `95 % within ${percentile(waits, 0.95).toFixed(0)} ms`,
    ],
  ]
}

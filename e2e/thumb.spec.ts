import type { Locator, Page } from '@playwright/test'
import { expect, gauge, openDemoJob, saved, test } from './shop'

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

/** Everything is pressed with a thumb: what one cannot hit is no button. Px */
const THUMB_PX = 40
async function thumb(what: Locator): Promise<void> {
  await what.scrollIntoViewIfNeeded()
  const box = await what.boundingBox()
  expect(box?.height ?? 0, `“${await what.textContent()}” is as tall as a thumb`).toBeGreaterThanOrEqual(THUMB_PX)
  await what.tap()
}
const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name })

/** What was found on the vehicle instead of what was read before: so much more, as a sum. */
async function measured(page: Page, figure: string, sum: string): Promise<void> {
  await thumb(page.getByRole('combobox', { name: 'Measured otherwise than read before' }))
  await page.getByRole('option', { name: figure }).tap()
  const field = page.getByLabel('As it is')
  await field.fill(`${await field.inputValue()} ${sum}`)
  await field.press('Enter')
}

test('a job by thumb: accepted, cut, measured otherwise, gone on from the bars in hand, finished, handed over, and built again for another vehicle', async ({
  page,
}) => {
  test.setTimeout(150_000)
  await openDemoJob(page, 'Spar carrier', 'cut')
  await test.step('the plan is accepted, and the first pieces are ticked at the saw', async () => {
    await thumb(button(page, 'Accept the plan'))
    await expect(button(page, 'Take it back')).toBeVisible({ timeout: 30_000 })
    await thumb(button(page, 'Order of work'))
    await page.getByLabel('Who works here').fill('Maren')
    // somebody ticked it too soon
    await thumb(button(page, 'Take back “Cut to length”'))
    await expect(page.getByRole('heading', { name: 'Cut to length' })).toBeVisible()
    await thumb(button(page, 'Begin, and time it'))
    for (const mark of ['RL', 'RR', 'B1']) await thumb(button(page, `${mark} is cut`))
  })
  await test.step('the gutter is an inch higher than it was read: the limit under the loft door moves at once', async () => {
    const door = gauge(page, 'Height under loft door')
    await expect(door).toContainText('112 3/16 in')
    await measured(page, 'Rain gutter, both sides: height above ground', '+ 1')
    await thumb(button(page, 'Keep it as measured'))
    await expect(door).toContainText('113 3/16 in')
  })
  await test.step('it is wider at the rear: one bar is cut already, the others are not; what is cut stays, one is made again', async () => {
    await measured(page, 'Rain gutter, both sides: from the middle, at its rear end', '+ 1/2')
    await expect(page.getByText(/Cut already: B1 .* longer/)).toBeVisible()
    await expect(page.getByText(/Still to be cut, as it then is: .*B2 .* longer/)).toBeVisible()
    await thumb(button(page, 'Keep it as measured'))
    await thumb(button(page, 'Bars'))
    const hand = page.getByRole('region', { name: 'Bars in hand' })
    await expect(hand.getByRole('status')).toContainText('3 of 6 pieces of the accepted plan are cut')
    await thumb(hand.getByRole('button', { name: 'Make B1 again' }))
    await thumb(hand.getByRole('button', { name: /^Plan what is left from the/ }))
    await expect(hand.getByRole('list', { name: 'What is left, bar by bar' })).toContainText('B1')
    await thumb(hand.getByRole('button', { name: 'Go on by this plan' }))
    await expect(hand.getByRole('status')).toContainText('2 of 6 pieces', { timeout: 30_000 })
    await expect(hand.getByText(/to be made again/)).toHaveCount(0)
  })
  await test.step('every step is done, one of them otherwise than drawn', async () => {
    await thumb(button(page, 'Order of work'))
    await page.getByLabel('Came out otherwise than drawn').fill('B4 shimmed on the left')
    const done = button(page, /^Done/)
    const all = page.getByText('Every step is done.')
    for (let n = 0; n < 20 && !(await all.isVisible()); n++) {
      const title = (await page.getByRole('region', { name: 'The step to do now' }).getByRole('heading').textContent()) ?? ''
      await thumb(done)
      await expect(page.getByRole('heading', { name: title, exact: true })).toHaveCount(0)
    }
    await expect(all).toBeVisible()
    await saved(page)
  })
  await test.step('at the hand-over what is left says so, what the work came to is told, and all that goes with the vehicle is one file', async () => {
    await page.getByRole('link', { name: /^Hand-over/ }).tap()
    await expect(page.getByRole('region', { name: /What the work came to/ })).toBeVisible()
    await expect(page.getByText('Not as drawn, at “cut”: B4 shimmed on the left')).toBeVisible()
    await page.getByRole('listitem').filter({ hasText: 'Not as drawn' }).getByRole('link', { name: 'Cut' }).tap()
    await thumb(button(page, 'Order of work'))
    await thumb(button(page, 'All steps'))
    await page.getByRole('checkbox', { name: 'Not as drawn: B4 shimmed on the left' }).tap()
    await page.getByRole('link', { name: /^Hand-over/ }).tap()
    await expect(page.getByText(/Not as drawn, at/)).toHaveCount(0)
    await saved(page)
    const pack = await page.request.get(
      (await page.getByRole('link', { name: 'All that goes with the vehicle, PDF' }).getAttribute('href')) ?? '',
    )
    expect([pack.status(), (await pack.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-'])
  })
  await test.step('taken over for another vehicle: what changes is told, and nothing of it is built, signed or measured there', async () => {
    await thumb(button(page, 'For another vehicle…'))
    const dialog = page.getByRole('dialog', { name: 'For another vehicle' })
    await dialog.getByLabel('What is it?').fill('Spar carrier, second boat')
    await thumb(dialog.getByRole('combobox', { name: 'Vehicle' }))
    await page.getByRole('option', { name: 'Boxy wagon' }).tap()
    await expect(dialog.getByRole('region', { name: 'What changes' })).toContainText(/B1 .* shorter/)
    await expect(dialog.getByRole('region', { name: 'Measure there first' }).getByRole('listitem').first()).toBeVisible()
    await expect(dialog.getByText(/Stays with the first job: \d+ steps that were ticked/)).toBeVisible()
    await thumb(dialog.getByRole('button', { name: 'Make the job' }))
    await expect(page.getByText('Taken over from “Spar carrier”, built on Tall long van.')).toBeVisible()
    await expect(page.getByRole('region', { name: 'Needed before cutting' })).toContainText('assumed, not measured')
    await page.getByRole('link', { name: /^Cut/ }).first().tap()
    await expect(page.getByText(/^Measure before cutting: /)).toBeVisible()
    await expect(button(page, 'Accept the plan')).toBeDisabled()
    await thumb(button(page, 'Order of work'))
    await expect(page.getByText(/^0 of \d+ done/)).toBeVisible()
  })
})

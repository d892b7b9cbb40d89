import { expect, gauge, openDemoJob, saved, startJob, test, type } from './shop'

test('a guard on a measured bed: added, dragged up until the garage is too low, relieved, and cut plan and price follow', async ({
  page,
}) => {
  await startJob(page, 'Slip guard', 'Crew-cab pickup')

  await test.step('brief: the height of the garage', async () => {
    await type(page.getByLabel('Speed with the load on'), '80')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await page.getByRole('textbox', { name: 'What', exact: true }).fill('slip garage')
    await type(page.getByLabel('Clear height'), '1.95 m')
  })

  await test.step('layout: the rack that a job begins with is taken off, the guard added from its picture', async () => {
    await page.getByRole('link', { name: 'Layout' }).click()
    await page.getByRole('button', { name: 'Remove Crossbar rack' }).click()
    await expect(page.getByText(/No piece yet/)).toBeVisible()
    await page.getByRole('button', { name: 'Add a piece' }).click()
    await page.getByRole('button', { name: 'Add cab guard' }).click()
    await expect(page.getByRole('textbox', { name: 'Rail to top of the guard' })).toHaveValue('700')
  })

  const height = page.getByRole('textbox', { name: 'Rail to top of the guard' })
  await test.step('its top is dragged up until it is too high', async () => {
    await page.getByRole('button', { name: 'Rear', exact: true }).click()
    const top = page.getByRole('group', { name: 'Rear view' }).getByRole('slider', { name: 'Top bar' })
    const box = await top.boundingBox()
    if (!box) throw new Error('the top bar is not drawn')
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2, box.y - 120, { steps: 14 })
    await page.mouse.up()
    expect(Number(await height.inputValue())).toBeGreaterThan(850)
    await expect(gauge(page, 'Height under slip garage')).toContainText('over')
  })

  await test.step('the relief that is offered brings it back under', async () => {
    const over = gauge(page, 'Height under slip garage')
    await over
      .getByRole('button', { name: /show the working/ })
      .first()
      .click()
    const working = page.getByRole('dialog', { name: /Working of/ })
    await working
      .getByRole('button', { name: /lower the guard by/ })
      .first()
      .click()
    await page.keyboard.press('Escape')
    await expect(over).not.toContainText('over,')
    expect(Number(await height.inputValue())).toBeLessThan(900)
    await saved(page)
  })

  await test.step('cut plan and price are of the guard as it is now', async () => {
    await page.getByRole('link', { name: 'Cut' }).click()
    await expect(page.getByText(/proven least cost/)).toBeVisible({ timeout: 30_000 })
    await expect(page.getByRole('table', { name: 'Cut list' })).toContainText('Post')
    await page.getByRole('link', { name: 'Hand-over' }).click()
    const price = page.getByRole('button', { name: 'Price: show the working' })
    await expect(price).toBeVisible({ timeout: 30_000 })
    const before = await price.textContent()
    await page.getByRole('link', { name: 'Layout' }).click()
    await type(page.getByRole('textbox', { name: 'Length of the base' }), '1400')
    await page.getByRole('link', { name: 'Hand-over' }).click()
    await expect(price).not.toHaveText(before ?? '', { timeout: 30_000 })
  })
})

test('pieces by keyboard: taken up, copied, put away, removed and brought back', async ({ page }) => {
  await openDemoJob(page, 'Basket crate bars', 'layout')
  const list = page.getByRole('list', { name: 'Pieces of the job' })
  const guard = list.getByRole('button', { name: /^B Guard and crate rails/ })
  await guard.focus()
  await page.keyboard.press('Enter')
  await expect(guard).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'Put it away' }).focus()
  await page.keyboard.press('Enter')
  await expect(list).toContainText('put away')
  await page.getByRole('button', { name: 'Remove Guard and crate rails' }).focus()
  await page.keyboard.press('Enter')
  await expect(guard).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(guard).toBeVisible()
  await saved(page)
})

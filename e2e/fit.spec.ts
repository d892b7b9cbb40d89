import { expect, gauge, openDemoJob, saved, test, type } from './shop'

test('a crate is dragged against the antenna: the gap is named, gone to and relieved', async ({ page }) => {
  await openDemoJob(page, 'Basket crate bars', 'fit')
  const gaps = page.getByRole('region', { name: 'Gaps' })
  await expect(gaps.getByText('clear').first()).toBeVisible({ timeout: 20_000 })

  await test.step('moved back at Layout it stands against what is on the roof', async () => {
    await page.getByRole('link', { name: 'Brief' }).click()
    const rule = page.getByRole('textbox', { name: /Free overhang|overhang/i }).first()
    await rule.fill('500')
    await rule.press('Enter')
    await page.getByRole('link', { name: 'Layout' }).click()
    const crate = page.getByRole('group', { name: 'Plan view' }).getByRole('slider', { name: /Oyster baskets/ })
    await crate.focus()
    for (let i = 0; i < 7; i++) await page.keyboard.press('Shift+ArrowLeft')
    await saved(page)
  })

  await test.step('Fit names the gap and goes near it', async () => {
    await page.getByRole('link', { name: /^Fit/ }).click()
    const row = gaps.getByRole('button', { name: /antenna/i })
    await expect(row).toContainText(/may touch|in one another/, { timeout: 20_000 })
    await expect(gauge(page, /Gap: Oyster baskets/)).toContainText('over')
    await row.click()
    await expect(
      page
        .getByRole('group', { name: 'Side view' })
        .getByText(/mm( deep)?$/)
        .first(),
    ).toBeVisible()
    await page.getByRole('button', { name: 'All of it' }).first().click()
  })

  await test.step('a change that was tried clears it', async () => {
    const relief = gaps.getByRole('button', { name: /forward/ }).first()
    await expect(relief).toBeVisible({ timeout: 60_000 })
    await relief.click()
    await expect(gaps.getByRole('button', { name: /antenna/i })).not.toContainText(/may touch|in one another/, { timeout: 20_000 })
    await saved(page)
  })
})

test('a lid is opened by keyboard in every view, and in 3D', async ({ page }) => {
  await openDemoJob(page, 'Half guard for the hive bed', 'fit')
  const lid = page.getByRole('slider', { name: 'Lid: how far' })
  await expect(lid).toBeVisible({ timeout: 20_000 })
  await lid.focus()
  for (let i = 0; i < 9; i++) await page.keyboard.press('PageUp')
  await expect(lid).toHaveAttribute('aria-valuetext', /^\d+ °$/)
  await page.getByRole('button', { name: '3D', exact: true }).click()
  await expect(page.getByRole('img', { name: /3D view/ })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Comes off again' })).toContainText(/lid/)
})

test('a drawer pulled right out lifts its far feet over what the floor holds: it is pulled, read, and cured by a change that was tried', async ({
  page,
}) => {
  await openDemoJob(page, 'Basket crate bars', 'layout')
  const uplift = gauge(page, 'Drawer 1, pulled right out')
  await test.step('drawers on the bed floor, a heavy case in the first', async () => {
    await page.getByRole('button', { name: 'Add a piece' }).click()
    await page.getByRole('button', { name: 'Add drawers under a deck' }).click()
    await type(page.getByRole('textbox', { name: 'A pair of slides carries' }), '120')
    await type(page.getByRole('textbox', { name: 'A pair of slides weighs' }), '6')
    await page.getByRole('link', { name: 'Brief' }).click()
    await page.getByRole('button', { name: 'Type a new item' }).click()
    const card = page.getByRole('article', { name: 'New item' })
    for (const [label, mm] of [
      ['Length', '600'],
      ['Width', '350'],
      ['Height', '120'],
      ['Mass, least', '90'],
      ['Mass, greatest', '90'],
    ] as const)
      await type(card.getByRole('textbox', { name: label, exact: true }), mm)
    await page.getByRole('link', { name: 'Layout' }).click()
    await page.getByRole('combobox', { name: 'Lies on' }).last().click()
    await page.getByRole('option', { name: /Drawer 1/ }).click()
    await type(page.getByRole('textbox', { name: 'Middle, forward' }).last(), '-300')
    await type(page.getByRole('textbox', { name: 'Middle, left' }).last(), '250')
  })
  await test.step('what the floor holds is not known until its sheet is measured', async () => {
    await expect(uplift).toContainText('not assessed')
    await page.getByRole('link', { name: 'Measure' }).click()
    await page.getByRole('button', { name: /^Mounts, obstacles, bodies/ }).click()
    const floor = page.getByRole('group', { name: 'Bed floor' })
    await floor.getByRole('button', { name: 'Measure the sheet under the feet' }).click()
    await type(floor.getByRole('textbox', { name: 'Sheet, thickness' }), '1')
    await type(floor.getByRole('textbox', { name: 'To the nearest rib' }), '60')
    await type(floor.getByRole('textbox', { name: 'Sheet, yield, MPa' }), '180')
    await expect(uplift).toContainText('over')
  })
  await test.step('pulled at Fit, and cured there', async () => {
    await page.getByRole('link', { name: /^Fit/ }).click()
    const drawer = page.getByRole('slider', { name: 'Drawer 1: how far' })
    await expect(drawer).toBeVisible({ timeout: 20_000 })
    await drawer.focus()
    await page.keyboard.press('End')
    await expect(drawer).toHaveAttribute('aria-valuetext', /mm$/)
    const far = await drawer.getAttribute('aria-valuetext')
    await uplift.getByRole('button').first().click()
    const relief = page.getByRole('button', { name: /less travel/ }).first()
    await expect(relief).toBeVisible({ timeout: 60_000 })
    await relief.click()
    // what opened over the gauge is shut before the gauge is read again
    await page.keyboard.press('Escape')
    await expect(uplift).toContainText(/clear|near/)
    await saved(page)
    // the stop of the slider follows the travel that is left
    await drawer.focus()
    await page.keyboard.press('End')
    await expect(drawer).not.toHaveAttribute('aria-valuetext', far ?? '')
  })
})

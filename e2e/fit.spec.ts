import { expect, gauge, openDemoJob, saved, test } from './shop'

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

import { expect, test } from './shop'

test('the shop’s days: a late job names its reason, a step is dragged with what follows from it, an order moves the days', async ({
  page,
}) => {
  await page.goto('/days')
  const late = page.getByRole('region', { name: 'Job: Spar carrier' })
  await test.step('late, and why; what would help was tried', async () => {
    await expect(late.getByText(/Hand-over: \d+ days? late/)).toBeVisible()
    await expect(late.getByText(/“Powder coat” takes .* days with its waiting/)).toBeVisible()
    await expect(late.getByRole('list', { name: 'Ways to catch up' }).getByRole('listitem').first()).toBeVisible()
  })
  const basket = page.getByRole('button', { name: /Hoop basket and lamps/ })
  const handedOver = async () => (await basket.textContent())?.match(/\d{4}-\d\d-\d\d/)?.[0] ?? ''
  const usual = await handedOver()
  const far = new Date(Date.now() + 90 * 86_400_000).toISOString().slice(0, 10)
  await test.step('a step dragged twenty days on says what it moves before it is let go, and can be taken back', async () => {
    await basket.click()
    const step = page.getByRole('button', { name: /^Cut to length, / })
    await step.scrollIntoViewIfNeeded()
    const box = await step.boundingBox()
    if (!box) throw new Error('the step is not drawn')
    await page.mouse.move(box.x + 5, box.y + 8)
    await page.mouse.down()
    // so far that it is handed over later on whichever weekday this is opened
    await page.mouse.move(box.x + 605, box.y + 8, { steps: 10 })
    const panel = page.getByRole('region', { name: 'Step: Cut to length' })
    await expect(panel.getByRole('status')).toContainText('Hoop basket and lamps')
    expect(await handedOver()).toBe(usual)
    await page.mouse.up()
    await expect.poll(handedOver).not.toBe(usual)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(handedOver).toBe(usual)
  })
  await test.step('all it lacks is ordered to come late: it is handed over later; all has come: sooner than before', async () => {
    await page.getByRole('link', { name: 'To buy' }).click()
    await page.getByRole('button', { name: 'Plan the bars of all jobs together' }).click()
    await expect(page.getByText(/ together, .* job by job/)).toBeVisible({ timeout: 30_000 })
    for (const seller of ['Anvil Lane metals', 'Farshore fittings', 'The bolt loft']) {
      const order = page.getByRole('region', { name: seller })
      await order.getByLabel('Comes on').fill(far)
      await order.getByLabel('Comes on').press('Enter')
      await order.getByRole('button', { name: `${seller}: all of this is ordered` }).click()
      // bars are planned before the order is placed
      await expect(order).toHaveCount(0, { timeout: 60_000 })
    }
    await expect(page.getByText(/^Nothing is to be ordered/)).toBeVisible()
    await page.getByRole('link', { name: 'Days' }).click()
    await expect.poll(async () => (await handedOver()) > far).toBe(true)
    await page.getByRole('link', { name: 'To buy' }).click()
    const coming = page.getByRole('region', { name: new RegExp(`^Order \\d{4}-\\d{3}, to come on ${far}$`) })
    await expect(coming).toHaveCount(3)
    for (const left of [2, 1, 0]) {
      await coming.first().getByRole('button', { name: 'All of it has come' }).click()
      await expect(coming).toHaveCount(left)
    }
    await expect(page.getByRole('region', { name: 'Orders placed' }).getByRole('listitem')).toHaveCount(3)
    await page.getByRole('link', { name: 'Days' }).click()
    await expect.poll(async () => (await handedOver()) < usual).toBe(true)
  })
})

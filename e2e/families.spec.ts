import { expect, gauge, saved, startJob, test, type } from './shop'

/** An inch job from nothing, by keyboard where a list is long: a ladder rack that would run through the cab, put right, built in order. */
test('a ladder rack in inches: refused while it runs through the cab, built step by step once it clears it', async ({ page }) => {
  await startJob(page, 'Ladders to the slip', 'Crew-cab pickup')
  await type(page.getByLabel('Speed with the load on'), '80')
  await page.getByRole('link', { name: 'Layout' }).click()
  await page.getByRole('button', { name: 'Remove Crossbar rack' }).click()
  await page.getByRole('button', { name: 'Add a piece' }).click()
  await page.getByRole('button', { name: 'Add ladder rack' }).click()

  const height = page.getByRole('textbox', { name: 'Rail to top of the bars' })
  await test.step('too low it runs through the roof, and says by how much', async () => {
    await type(height, '24 in')
    await expect(page.getByText(/The nose bar runs through the roof of the cab/)).toBeVisible()
    await type(height, '37 in')
    await expect(page.getByText(/runs through the roof|clears the roof of the cab by/)).toHaveCount(0)
    await expect(gauge(page, 'Foot, pressed down')).toBeVisible()
    await saved(page)
  })
  await test.step('cut: stops longest first; welds; the order of work is ticked in its order', async () => {
    await page.getByRole('link', { name: 'Cut' }).click()
    await expect(page.getByRole('table', { name: 'Stop settings' })).toContainText('BRL', { timeout: 30_000 })
    await page.getByRole('button', { name: 'Order of work' }).click()
    const steps = page.getByRole('list', { name: 'Steps' })
    await expect(steps.getByRole('checkbox', { name: 'Cut to length, done' })).toBeDisabled()
    const tick = async (name: string) => {
      await steps.getByRole('checkbox', { name }).focus()
      await page.keyboard.press('Space')
    }
    await tick('Order what is bought, done')
    await tick('Receive and check, done')
    // what is not here keeps its gate shut
    await expect(steps.getByRole('checkbox', { name: 'Everything is here, done' })).toBeDisabled()
    await page.getByRole('button', { name: /^Kit, \d+ not here/ }).click()
    await page.getByRole('button', { name: 'All of it is here' }).click()
    await page.getByRole('button', { name: 'All steps' }).click()
    // nor does it open for nobody
    await expect(steps.getByRole('checkbox', { name: 'Everything is here, done' })).toBeDisabled()
    await page.getByRole('combobox', { name: 'Who works here' }).fill('Ansa')
    await tick('Everything is here, done')
    await expect(steps.getByRole('checkbox', { name: 'Cut to length, done' })).toBeEnabled()
    await saved(page)
    const href = await page.getByRole('link', { name: 'Print the order of work' }).getAttribute('href')
    expect((await page.request.get(href ?? '')).status()).toBe(200)
    await page.reload()
    await expect(page.getByText(/3 of \d+ done/)).toBeVisible()
  })
})

test('every family on the shelf that fits this vehicle is added, drawn, assessed and removed again', async ({ page }) => {
  await startJob(page, 'All of the shelf', 'Crew-cab pickup')
  await type(page.getByLabel('Speed with the load on'), '80')
  await page.getByRole('link', { name: 'Layout' }).click()
  await page.getByRole('button', { name: 'Remove Crossbar rack' }).click()
  for (const family of ['Hoop basket', 'Welded deck', 'Cab guard', 'Half guard', 'Ladder rack', 'Headboard']) {
    await page.getByRole('button', { name: 'Add a piece' }).click()
    await page.getByRole('button', { name: `Add ${family.toLowerCase()}` }).click()
    await expect(gauge(page, /Foot, pressed down/).first()).toBeVisible()
    await page.getByRole('button', { name: `Remove ${family}` }).click()
    await expect(page.getByText(/No piece yet/)).toBeVisible()
  }
})

/** Two bought parts whose holes do not meet: the adapter between them goes onto a job as a piece, is judged there and cut with the rest. */
test('an adapter laid out on the shelf becomes a piece of a job; folded into a step it bends, and thicker sheet is checked at once', async ({
  page,
}) => {
  await startJob(page, 'Foot on a foot', 'Tall long van')
  await type(page.getByLabel('Speed with the load on'), '90')
  await saved(page)
  await page.goto('/parts')
  const pick = async (label: string, option: RegExp) => {
    await page.getByRole('combobox', { name: label }).click()
    await page.getByRole('option', { name: option }).first().click()
  }
  await pick('First part', /Foot, low/)
  await pick('Second part', /Foot, tall/)
  await pick('Put it on a job', /Foot on a foot/)
  await page.getByRole('button', { name: 'Add it there' }).click()
  await page.waitForURL(/layout/)
  const piece = page.getByRole('group', { name: 'Holes of what it holds' })
  await expect(piece.getByRole('combobox', { name: 'Taken from' })).toContainText('Foot, tall')
  await expect(page.getByText(/Its holes come too near the edges of a tube so narrow/)).toBeVisible()
  await test.step('a step with holes across the bar does not complain; its fold is in the gauge', async () => {
    await pick('Form', /Step/)
    const one = page.getByRole('group', { name: 'Holes on what it stands on' })
    await one.getByRole('button', { name: '4 holes' }).click()
    await one.getByRole('button', { name: 'Remove hole 4' }).click()
    await one.getByRole('button', { name: 'Remove hole 2' }).click()
    await expect(page.getByText(/too near the edges of a tube so narrow/)).toHaveCount(0)
    await expect(gauge(page, 'Brackets, bending at the fold')).toBeVisible({ timeout: 20_000 })
  })
  await test.step('a figure that cannot be is refused in place', async () => {
    await type(page.getByRole('textbox', { name: 'Width', exact: true }), '25')
    await expect(page.getByText(/stand too near the long edge/).first()).toBeVisible()
    await type(page.getByRole('textbox', { name: 'Width', exact: true }), '110')
    await expect(page.getByText(/stand too near the long edge/)).toHaveCount(0)
  })
})

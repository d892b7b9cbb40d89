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

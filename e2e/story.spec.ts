import { expect, gauge, openDemoJob, saved, test, type } from './shop'

test('a survey trust’s rack, from the call to the cut sheet, with the mouse', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  const dialog = page.getByRole('dialog', { name: 'New job' })
  await dialog.getByRole('button', { name: 'Start' }).click()
  await expect(dialog.getByText('give the job a title')).toBeVisible() // an empty form says what is missing and stays
  await dialog.getByLabel('What is it?').fill('Shore survey rack')
  await dialog.getByLabel('Vehicle').click()
  await page.getByRole('option', { name: 'Tall long van' }).click()
  await dialog.getByRole('button', { name: 'Start' }).click()

  await test.step('brief', async () => {
    await page.getByRole('textbox', { name: 'Client', exact: true }).fill('Tide-pool survey trust')
    await type(page.getByLabel('Speed with the load on'), '100')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await page.getByRole('textbox', { name: 'What', exact: true }).fill('boathouse door')
    await type(page.getByLabel('Clear height'), '3.25 m')
    for (const item of ['Sampling poles, bundle of six', 'Equipment case', 'Side awning']) {
      await page.getByLabel('Add from the catalogue').fill(item.slice(0, 9))
      await page.getByRole('option', { name: item }).click()
    }
    await expect(page.getByRole('article')).toHaveCount(3)
    const length = page.getByRole('article', { name: 'Sampling poles' }).getByRole('textbox', { name: 'Length', exact: true })
    await type(length, '3400 x')
    await expect(page.getByText(/“x” is not a unit of length/)).toBeVisible()
    await type(length, '3.4 m')
    await expect(length).toHaveValue('3400')
    await saved(page)
  })

  await test.step('layout: planned, dragged, undone, typed', async () => {
    await page.getByRole('link', { name: 'Layout' }).click()
    await page.getByRole('button', { name: 'Propose placements' }).click()
    await page.getByRole('list', { name: 'Proposed placements' }).getByRole('button', { name: 'Apply' }).first().click({ timeout: 30_000 })
    const bars = page.getByRole('group', { name: 'Plan view' }).getByRole('slider', { name: /^Bar \d/ })
    await expect(bars.first()).toBeVisible()
    await expect(gauge(page, /overhang/).filter({ hasText: 'over,' })).toHaveCount(0)

    const first = page.getByRole('textbox', { name: 'Bar 1', exact: true })
    const before = await first.inputValue()
    const box = await bars.first().boundingBox()
    if (!box) throw new Error('the bar is not drawn')
    const y = box.y + box.height - 14 // the end of the bar, clear of the cargo on it
    await page.mouse.move(box.x + box.width / 2, y)
    await page.mouse.down()
    await page.mouse.move(box.x + 120, y, { steps: 12 })
    await page.mouse.up()
    expect(Number(await first.inputValue())).toBeGreaterThan(Number(before) + 200)
    await expect(page.getByText(/overhang/).first()).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click() // the whole drag is one step
    await expect(first).toHaveValue(before)
    await page.getByRole('button', { name: 'Redo' }).click()
    await page.getByRole('button', { name: 'Undo' }).click()
    await type(first, '500')
    await expect(page.getByRole('button', { name: 'Change 500' })).toBeVisible() // the dimension on the drawing follows
    await page.getByRole('button', { name: 'Undo' }).click()
  })

  await test.step('units change and change back without drift', async () => {
    const overhang = page.getByLabel('Bar past the foot, each end')
    await expect(overhang).toHaveValue('80')
    await page.keyboard.press('u')
    await expect(overhang).toHaveValue('3 1/8')
    await page.keyboard.press('u')
    await expect(overhang).toHaveValue('80')
  })

  await test.step('cut: planned, accepted, printed', async () => {
    await page.getByRole('link', { name: 'Cut' }).click()
    await expect(page.getByText(/proven least cost/)).toBeVisible({ timeout: 30_000 })
    await expect(page.getByRole('heading', { name: 'If only one length' })).toBeVisible({ timeout: 30_000 })
    // what is not assessed asks for a reason, which the sheet prints
    await expect(page.getByRole('button', { name: 'Accept the plan' })).toBeDisabled()
    await type(page.getByLabel('Why it is cut all the same'), 'straps are settled at the fitting')
    await page.getByRole('button', { name: 'Accept the plan' }).click()
    const sheet = page.getByRole('link', { name: 'Print the cut sheet' })
    await expect(sheet).toBeVisible({ timeout: 30_000 })
    const pdf = await page.request.get((await sheet.getAttribute('href')) ?? '')
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
    await page.getByRole('button', { name: 'Take it back' }).click()
    await expect(page.getByRole('button', { name: 'Accept the plan' })).toBeVisible()
  })

  await test.step('hand-over: a price with its working, and the open files', async () => {
    await page.getByRole('link', { name: 'Hand-over' }).click()
    await page.getByRole('button', { name: 'Price: show the working' }).click({ timeout: 30_000 })
    await expect(page.getByText('P = cost / (1 − margin)')).toBeVisible()
    await page.keyboard.press('Escape')
    const download = page.waitForEvent('download')
    await page.getByRole('link', { name: 'Job, JSON' }).click()
    expect((await download).suggestedFilename()).toMatch(/^Shore survey rack, rev \d+, job.json$/)
  })

  await test.step('next day it is as it was left', async () => {
    await saved(page)
    await page.goto('/')
    await page.getByLabel('Search the jobs').fill('shore')
    await expect(page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')).toHaveCount(1)
    await page.getByRole('link', { name: 'Shore survey rack' }).click()
    await expect(page).toHaveURL(/hand-over$/)
    await expect(page.getByText('Governs')).toBeVisible()
    await page.keyboard.press('1')
    await expect(page.getByRole('textbox', { name: 'Client', exact: true })).toHaveValue('Tide-pool survey trust')
    await expect(page.getByRole('article')).toHaveCount(3)
  })
})

test('a limit that is over is relieved by the change it proposes', async ({ page }) => {
  await openDemoJob(page, 'Pole and case rack, survey van', 'layout')
  const poles = gauge(page, 'Sampling poles 3.4 m, six: overhang')
  await expect(poles).toContainText('over, 108 %')
  await poles.getByRole('button', { name: /show the working/ }).click()
  const working = page.getByRole('dialog', { name: /Working of/ })
  await expect(working).toContainText('Largest free overhang')
  await working.getByRole('button', { name: 'move bar 3 forward by 100 mm' }).click()
  await page.keyboard.press('Escape')
  await expect(poles).toContainText('92 %')
  await expect(page.getByRole('textbox', { name: 'Bar 3', exact: true })).toHaveValue('3280')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(poles).toContainText('over, 108 %')
  await saved(page)
})

test('an unknown rating is never passed: the gauge names it, and typing it assesses it', async ({ page }) => {
  await openDemoJob(page, 'Basket crate bars', 'loads')
  const foot = gauge(page, /Foot, pressed downCrossbar rack/)
  await expect(foot).toContainText('not assessed')
  await expect(foot).toContainText('Missing: Rating per foot, down')
  await page.keyboard.press('2')
  await page.getByRole('button', { name: 'Ratings and masses' }).click()
  await type(page.getByRole('textbox', { name: 'Rating per foot, down', exact: true }), '100')
  await expect(foot).toContainText('56 %')
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
})

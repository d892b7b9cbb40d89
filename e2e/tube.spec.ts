import { expect, openDemoJob, saved, startJob, test, type } from './shop'

test('a hoop basket from its picture to bend marks, templates and welds; another width moves them; no radius, no length', async ({
  page,
}) => {
  await startJob(page, 'Yard basket', 'Boxy wagon')

  await test.step('layout: the basket takes the rack’s place, and says that it needs a radius', async () => {
    await page.getByRole('link', { name: 'Layout' }).click()
    await page.getByRole('button', { name: 'Remove Crossbar rack' }).click()
    await page.getByRole('button', { name: 'Add a piece' }).click()
    await page.getByRole('button', { name: 'Add hoop basket' }).click()
    await expect(page.getByText(/Nothing bent has a cut length until the radius is known/)).toBeVisible()
  })
  await test.step('cut: until then nothing bent is cut', async () => {
    await saved(page)
    await page.getByRole('link', { name: 'Cut' }).click()
    await page.getByRole('button', { name: 'Tube', exact: true }).click()
    await expect(page.getByText('no cut length yet').first()).toBeVisible()
    await page.getByRole('link', { name: 'Layout' }).click()
    await type(page.getByRole('textbox', { name: 'Centre-line radius of the die' }), '96')
    await expect(page.getByText(/Nothing bent has a cut length/)).toHaveCount(0)
  })
  const mark = page.getByRole('table', { name: 'Bends of HF' }).getByRole('row').nth(1).getByRole('cell').nth(1)
  await test.step('with a radius there are marks, and higher sides move them', async () => {
    await saved(page)
    await page.getByRole('link', { name: 'Cut' }).click()
    await page.getByRole('button', { name: 'Tube', exact: true }).click()
    const before = Number.parseInt((await mark.textContent()) ?? '', 10)
    expect(before).toBeGreaterThan(50)
    await page.getByRole('link', { name: 'Layout' }).click()
    await type(page.getByRole('textbox', { name: 'Height of the sides, centre to centre' }), '320')
    await saved(page)
    await page.getByRole('link', { name: 'Cut' }).click()
    await page.getByRole('button', { name: 'Tube', exact: true }).click()
    // 60 higher, leaned by 12°: 60 / cos 12° = 61 further along the leg
    await expect(mark).toHaveText(`${Math.round(before + 60 / Math.cos((12 * Math.PI) / 180))} mm`)
  })
  await test.step('a mark opens its working, with its source', async () => {
    await mark.getByRole('button').click()
    const working = page.getByRole('dialog', { name: /Working of Mark of bend 1/ })
    await expect(working).toContainText('Machinery')
    await expect(working).toContainText('straight 1')
    await page.keyboard.press('Escape')
  })
  await test.step('the prints come, and the welds are numbered', async () => {
    const href = await page.getByRole('link', { name: /Print bend sheets/ }).getAttribute('href')
    const pdf = await page.request.get(href ?? '')
    expect(pdf.status()).toBe(200)
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
    await page.getByRole('button', { name: 'Welds', exact: true }).click()
    await expect(page.getByRole('table', { name: 'Welds in order' }).getByRole('row')).not.toHaveCount(1)
    expect(
      (await page.request.get((await page.getByRole('link', { name: 'Print the weld map' }).getAttribute('href')) ?? '')).status(),
    ).toBe(200)
  })
})

test('a trial bend typed at the bender moves what is pulled to, and stays with the die', async ({ page }) => {
  await openDemoJob(page, 'Hoop basket and lamps', 'cut')
  await page.getByRole('button', { name: 'Tube', exact: true }).click()
  const pull = page.getByRole('table', { name: 'Bends of HF' }).getByRole('row').nth(1).getByRole('cell').nth(4)
  const before = await pull.textContent()
  await page.getByRole('button', { name: 'Type a trial bend' }).first().click()
  await type(page.getByRole('textbox', { name: 'Pulled to' }), '99')
  await type(page.getByRole('textbox', { name: 'Came back to' }), '90')
  await page.getByRole('button', { name: 'Keep this trial' }).click()
  await expect(pull).not.toHaveText(before ?? '')
  await page.reload()
  await expect(page.getByText(/3 trials of this die/).first()).toBeVisible()
})

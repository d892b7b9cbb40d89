import { expect, openDemoJob, saved, test, type } from './shop'

test('drawers in a bed and a row of sockets on a rack: slides rated, a hole ticked in one part and open in its mate, moved when the design moves', async ({
  page,
}) => {
  await openDemoJob(page, 'Basket crate bars', 'layout')
  const gauge = page.getByRole('complementary', { name: 'Tide gauge' })

  await test.step('drawers from their picture: what nobody rated is asked for by name', async () => {
    await page.getByRole('button', { name: 'Add a piece' }).click()
    await page.getByRole('button', { name: 'Add drawers under a deck' }).click()
    await expect(gauge.getByText(/what its maker lets the lock of a drawer hold|what a pair of slides carries/).first()).toBeVisible()
    await type(page.getByRole('textbox', { name: 'A pair of slides carries' }), '90')
    await type(page.getByRole('textbox', { name: 'The lock of a shut drawer holds' }), '2000')
    await expect(gauge.getByText(/what its maker lets the lock of a drawer hold|what a pair of slides carries/)).toHaveCount(0)
    await expect(gauge.getByText('Drawer 1, pulled right out')).toBeVisible()
  })
  await test.step('more travel than the drawer is long is refused in words, and undone', async () => {
    await type(page.getByRole('textbox', { name: 'Travel of a drawer' }), '2500')
    await expect(page.getByText(/cannot travel farther than it is long/)).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText(/cannot travel farther than it is long/)).toHaveCount(0)
  })
  await test.step('sockets begin on the rack and are told from the end of its bar', async () => {
    await page.getByRole('button', { name: 'Add a piece' }).click()
    await page.getByRole('button', { name: 'Add sockets in a row' }).click()
    await expect(page.getByText(/on Crossbar rack/)).toBeVisible()
    await expect(gauge.getByText('Collars on tubes, sliding')).toBeVisible()
    await saved(page)
  })
  const rail = page
    .getByRole('table', { name: 'Holes through every part' })
    .getByRole('row', { name: /BRL Base rail/ })
    .last()
  const first = rail.getByRole('checkbox').first()
  await test.step('one part of a hole is ticked; its mate stays open; it is still so after coming back', async () => {
    await page.getByRole('link', { name: 'Cut' }).click()
    await page.getByRole('button', { name: 'Holes', exact: true }).click()
    const told = page.getByRole('status').filter({ hasText: 'parts drilled' })
    await expect(told).toContainText(/^0 of \d+ parts drilled/)
    await first.check()
    await expect(told).toContainText(/^1 of/)
    await expect(rail.getByRole('checkbox').nth(1)).not.toBeChecked()
    await saved(page)
    await page.reload()
    await expect(first).toBeChecked()
  })
  await test.step('the drilling sheet comes as a print', async () => {
    const href = await page.getByRole('link', { name: 'Print the drilling sheet' }).getAttribute('href')
    const pdf = await page.request.get(href ?? '')
    expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-'])
  })
  await test.step('a longer base moves the hole: it says so where it was ticked', async () => {
    await page.getByRole('link', { name: 'Layout' }).click()
    await page.getByText('Guard and crate rails').first().click()
    await type(page.getByRole('textbox', { name: 'Length of the base' }), '1200')
    await saved(page)
    await page.getByRole('link', { name: 'Cut' }).click()
    await page.getByRole('button', { name: 'Holes', exact: true }).click()
    await expect(rail.getByRole('alert')).toContainText('moved since it was drilled')
  })
})

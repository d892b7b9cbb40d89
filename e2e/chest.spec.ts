import DxfParser from 'dxf-parser'
import { expect, openDemoJob, saved, test, type } from './shop'

test('a chest in a measured bed: drawn, its latch asked for, what lies in it checked, its sheets nested, and a lid for the table', async ({
  page,
}) => {
  await openDemoJob(page, 'Half guard for the hive bed', 'layout')
  const gauge = page.getByRole('complementary', { name: 'Tide gauge' })

  await test.step('another one from its picture, and put away again by undo', async () => {
    await page.getByRole('button', { name: 'Add a piece' }).click()
    await page.getByRole('button', { name: 'Add chest' }).click()
    await expect(page.getByRole('button', { name: 'Remove Chest' })).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('button', { name: 'Remove Chest' })).toHaveCount(0)
  })
  await test.step('a latch that nobody rated opens the lid’s checks', async () => {
    await page.getByText('Hive chest').first().click()
    await type(page.getByRole('textbox', { name: 'One latch holds' }), '')
    await expect(gauge.getByText(/what its maker lets the latch hold/).first()).toBeVisible()
    await type(page.getByRole('textbox', { name: 'One latch holds' }), '400')
    await expect(gauge.getByText(/what its maker lets the latch hold/)).toHaveCount(0)
  })
  await test.step('a wider chest is a larger blank: the file of its lid says so', async () => {
    await saved(page)
    const lid = async () => {
      await page.getByRole('link', { name: 'Cut' }).click()
      await page.getByRole('button', { name: 'Sheet', exact: true }).click()
      await expect(page.getByText(/of it becomes parts/)).toBeVisible()
      const href = await page.getByRole('figure', { name: 'B-LD' }).getByRole('link', { name: 'DXF' }).getAttribute('href')
      const read = new DxfParser().parseSync(await (await page.request.get(href ?? '')).text())
      const outline = read?.entities.find((e) => e.layer === 'CUT') as unknown as { vertices: { x: number }[] }
      const xs = outline.vertices.map((v) => v.x)
      return Math.max(...xs) - Math.min(...xs)
    }
    const before = await lid()
    await page.getByRole('link', { name: 'Layout' }).click()
    await page.getByText('Hive chest').first().click()
    await type(page.getByRole('textbox', { name: 'Width across, outside' }), '40')
    await saved(page)
    // two inches narrower: the lid's blank is 50.8 shorter across
    expect(before - (await lid())).toBeCloseTo(50.8, 1)
  })
  await test.step('the fold sheets come', async () => {
    const pdf = await page.request.get((await page.getByRole('link', { name: /Print fold sheets/ }).getAttribute('href')) ?? '')
    expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-'])
  })
  await test.step('its sheets are accepted, a table runs their program, and what is cut goes to the rack once', async () => {
    // limits that are not assessed ask why, before anything is accepted
    await expect(page.getByRole('button', { name: 'Accept these sheets' })).toBeDisabled()
    await page.getByRole('textbox', { name: 'Why the sheets are cut all the same' }).fill('its foot is rated next week')
    await page.getByRole('button', { name: 'Accept these sheets' }).click()
    await expect(page.getByText(/^Accepted on .*: screen, print and program keep to these sheets/)).toBeVisible()
    const program = page.getByRole('link', { name: 'Program, G-code' }).first()
    await page.getByRole('button', { name: 'Run it on the simulated table' }).first().click()
    await expect(page.getByText(/Simulated: no table ran.*it ran through nothing that was cut before/)).toBeVisible()
    await saved(page)
    expect(await (await page.request.get((await program.getAttribute('href')) ?? '')).text()).not.toContain('DRAFT')
    await page.getByRole('button', { name: 'It is cut: bring the rack up to date' }).click()
    await expect(page.getByText(/^Cut on .*: the rack has what is left/)).toBeVisible()
    // undo takes back what was done before it, and not the half of this
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText(/^Cut on /)).toBeVisible()
    await saved(page)
    await page.reload()
    await expect(page.getByText(/^Cut on .*: the rack has what is left/)).toBeVisible()
    await expect(page.getByRole('button', { name: /It is cut/ })).toHaveCount(0)
  })
})

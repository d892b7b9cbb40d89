import { expect, openDemoJob, saved, test, type } from './shop'

test('a bed is measured from the printed sheet on a phone: it tapers, and one reading contradicts another', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 760 })
  await openDemoJob(page, 'Basket crate bars', 'measure?sheet=bed')
  const paper = await page.request.get((await page.getByRole('link', { name: 'Blank sheet, PDF' }).getAttribute('href')) ?? '')
  expect(paper.headers()['content-type']).toContain('pdf')

  await page.getByRole('textbox', { name: 'Measured by' }).fill('Odde')
  const field = (name: string) => page.getByRole('textbox', { name, exact: true })
  await type(field('Width inside at the rear'), '55 1/8 in')
  await type(field('Width inside at the front'), '1447')
  await expect(page.getByText(/narrower at the rear, 4\d(\.\d)? mm in all/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Bed, what to measure' })).toBeInViewport() // the drawing stays in sight

  await type(field('Wheel arch to tailgate'), '476')
  await expect(page.getByRole('alert').filter({ hasText: 'The parts add up to 1612' })).toContainText('60 mm too much')
  await type(field('Wheel arch to tailgate'), '416')
  await expect(page.getByText('The parts add up')).toHaveCount(0)

  const width = page.locator('[id="measure-bed.widthFront"]')
  await width.getByRole('button', { name: /readings and how it is known/ }).click()
  await width.getByRole('button', { name: 'Take it again' }).click()
  await type(field('Width inside at the front, again'), '1466')
  await expect(width.getByText('The readings disagree')).toBeVisible()
  await width.getByRole('textbox', { name: 'Why 1447 mm is right' }).fill('the second was over the lip')
  await width.getByRole('button', { name: 'Choose' }).first().click()
  await expect(width.getByText('Chosen because: the second was over the lip')).toBeVisible()
  await saved(page)
})

test('the tape fills the field in hand; with no field, or the wrong button, nothing is filled and it says why', async ({ page }) => {
  await openDemoJob(page, 'Spar carrier', 'measure?sheet=roof')
  await page.getByRole('button', { name: 'Press the tape' }).click()
  await expect(page.getByText('no field is chosen')).toBeVisible()
  const crown = page.getByRole('textbox', { name: 'Width at the middle', exact: true })
  const before = await crown.inputValue()
  await crown.focus()
  await page.getByLabel('Wrong button: it sends rubbish').check()
  await crown.focus()
  await page.getByRole('button', { name: 'Press the tape' }).click()
  await expect(page.getByRole('alert').filter({ hasText: /sent/ })).toBeVisible()
  await expect(page.locator('[id="measure-roof.widthMiddle"]').getByText('taken once')).toBeVisible()
  expect((await crown.inputValue()).length).toBeGreaterThanOrEqual(before.length)
  await page.getByLabel('Wrong button: it sends rubbish').uncheck()
  await crown.focus()
  await page.getByRole('button', { name: 'Press the tape' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Width at the middle:' })).toBeVisible()
})

test('two people measure one vehicle: both readings are kept without a question', async ({ page, context }) => {
  await openDemoJob(page, 'Panel and box bars', 'measure?sheet=roof')
  const other = await context.newPage()
  await other.goto(page.url().replace('sheet=roof', 'sheet=sides'))
  const swing = other.getByRole('textbox', { name: 'Reach of the opened door', exact: true })
  await expect(swing).toBeVisible()
  await type(page.getByRole('textbox', { name: 'Crown: middle above the edge', exact: true }), '22')
  await saved(page)
  await type(swing, '910')
  await saved(other)
  await expect(other.getByRole('dialog')).toHaveCount(0)
  await other.reload()
  await expect(swing).toHaveValue('910')
  await other.goto(page.url())
  await expect(other.getByRole('textbox', { name: 'Crown: middle above the edge', exact: true })).toHaveValue('22')
})

test('a photograph is scaled and traced: the side of a shaky square fills the field in hand with its deviation', async ({ page }) => {
  await openDemoJob(page, 'Spar carrier', 'measure?sheet=rear-end')
  const plain = await page.evaluate(async () => {
    const canvas = document.createElement('canvas')
    canvas.width = 800
    canvas.height = 600
    canvas.getContext('2d')?.fillRect(100, 100, 400, 300)
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
    return [...new Uint8Array((await blob?.arrayBuffer()) ?? new ArrayBuffer(0))]
  })
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Add a photograph' }).click()
  await (await chooser).setFiles({ name: 'tailgate.png', mimeType: 'image/png', buffer: Buffer.from(plain) })
  const plate = page.getByRole('textbox', { name: 'Number plate, width', exact: true })
  await plate.focus()
  await page.getByRole('button', { name: 'Trace tailgate.png' }).click()
  const picture = page.getByRole('img', { name: 'Traced points' })
  const box = await picture.boundingBox()
  if (!box) throw new Error('the picture is not shown')
  const at = (x: number, y: number) => picture.click({ position: { x: (x / 800) * box.width, y: (y / 600) * box.height } })
  await at(100, 100)
  await at(500, 100) // 400 units = 20 in: 1.27 mm a unit
  await type(page.getByRole('textbox', { name: 'Real length between the two points' }), '20')
  for (const [x, y] of [
    [100, 100],
    [300, 101],
    [500, 100],
    [500, 400],
    [100, 401],
  ] as const)
    await at(x, y)
  await expect(page.getByText(/^1: (19 1[3-5]|20)/)).toBeVisible()
  await page.getByRole('button', { name: 'Use side 1' }).click()
  await page.getByRole('button', { name: 'Keep the outline' }).click()
  await expect(plate).toHaveValue(/^(19 1[3-5]\/16|19 7\/8|20)/)
  await expect(page.getByText('1 traced')).toBeVisible()
  await saved(page)
})

test('a client far away fills the form on a phone without a network; his answers are read in beside what was known', async ({
  page,
  context,
}, info) => {
  await openDemoJob(page, 'Basket crate bars', 'measure?sheet=bed')
  const [form] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Form to send' }).click()])
  const path = info.outputPath('form.html')
  await form.saveAs(path)

  const phone = await context.newPage()
  await phone.setViewportSize({ width: 360, height: 760 })
  await phone.goto(`file://${path}`)
  await phone.getByRole('button', { name: 'Save the answer file' }).click()
  await expect(phone.getByText('Nothing to save yet')).toBeVisible()
  await phone.getByLabel('Your name').fill('Low Ebb')
  await phone.getByLabel('inches').check()
  await phone.locator('[data-id="bed.lip"]').fill('7/8')
  await phone.reload()
  await expect(phone.locator('[data-id="bed.lip"]')).toHaveValue('7/8') // what was typed is kept on the device
  const [answers] = await Promise.all([phone.waitForEvent('download'), phone.getByRole('button', { name: 'Save the answer file' }).click()])
  const back = info.outputPath('answers.json')
  await answers.saveAs(back)

  await page.getByLabel("Client's answer file").setInputFiles(back)
  await expect(page.getByText('1 figure and 0 photographs from Low Ebb')).toBeVisible()
  await page.getByRole('button', { name: 'Enter them' }).click()
  await expect(page.getByText('1 figure and 0 photographs entered')).toBeVisible()
  await expect(page.locator('[id="measure-bed.lip"]').getByText('taken more than once')).toBeVisible()
  await saved(page)
})

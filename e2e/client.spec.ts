import { expect, openDemoJob, saved, test } from './shop'

test('the client’s page goes out, he marks what he wants, and his answer lands on the drawing until it is settled', async ({
  page,
  context,
}) => {
  await openDemoJob(page, 'Hoop basket and lamps', 'hand-over')
  const opening = context.waitForEvent('page')
  await page.getByRole('link', { name: 'See the page' }).click()
  const client = await opening
  await expect(client.getByRole('heading', { name: 'Hoop basket and lamps' })).toBeVisible()
  await expect(client.getByRole('img', { name: /seen from behind/ })).toBeVisible()
  await expect(client.getByText('Nobody stands on it.')).toBeVisible()

  // today's load: what was reckoned, more than that, and something nobody agreed to
  const crate = client.getByLabel(/^Sail bags in a crate/)
  await crate.fill('29,5')
  await expect(client.locator('#verdict')).toHaveText('As reckoned, held as it is listed above.')
  await crate.fill('31')
  await expect(client.locator('#verdict')).toContainText('Over: take something off.')
  await crate.fill('heavy')
  await expect(client.locator('#verdict')).toContainText('heavy is no mass')
  await crate.fill('')
  await client.getByLabel('Something else').fill('two kayaks')
  await expect(client.locator('#verdict')).toContainText('Not assessed: ask the shop first.')

  await client.locator('[data-view=side] svg').click({ position: { x: 200, y: 120 } })
  await client.keyboard.type('Lower at this end')
  await client.getByRole('button', { name: 'Save the answer file' }).click()
  await expect(client.getByRole('status').last()).toHaveText('Type your name first.')
  await client.getByLabel('Your name').fill('Loft foreman')
  const download = client.waitForEvent('download')
  await client.getByRole('button', { name: 'Save the answer file' }).click()
  const file = await (await download).path()
  // what was typed is still there when the page is opened again
  await client.reload()
  await expect(client.getByLabel('Your name')).toHaveValue('Loft foreman')
  await expect(client.getByLabel('Mark 1, side')).toHaveValue('Lower at this end')
  await client.close()

  await page.getByLabel('The client’s answer file').setInputFiles(file)
  await saved(page)
  const answer = page.getByRole('region', { name: 'Answer of Loft foreman' })
  await expect(answer).toContainText('not yet')
  await expect(page.getByText('Loft foreman has not agreed yet.')).toBeVisible()
  await expect(page.getByText('The client: “May I also carry: two kayaks?”')).toBeVisible()
  await answer.getByRole('button', { name: 'side' }).click()
  await expect(page.getByRole('region', { name: 'Drawing' }).getByText('“Lower at this end”')).toBeVisible()
  await page.getByLabel('The client’s answer file').setInputFiles(file)
  await expect(page.getByText('This answer was read before.')).toBeVisible()
  await answer.getByLabel('Lower at this end').check()
  await expect(page.getByRole('region', { name: 'Drawing' }).getByText('“Lower at this end”')).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('region', { name: 'Drawing' }).getByText('“Lower at this end”')).toBeVisible()
})

import { expect, type Page } from '@playwright/test'
import { openDemo, test } from './app.ts'

const names = (page: Page): Promise<string[]> =>
  page.getByRole('main').getByRole('listitem').getByRole('link').allTextContents()

test('the order of the pieces: moved by keys and by hand, told, and undone', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('button', { name: /^all \d+ pieces/ }).click()
  await page.getByRole('menuitem', { name: 'list them, set their order' }).click()
  await page.getByRole('heading', { name: /^Pieces of/ }).waitFor()
  const [first, second, third, fourth] = await names(page)
  await page.getByRole('button', { name: `Move ${first}` }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByText(new RegExp(`^${first}, place 1 of`))).toBeAttached()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByText(new RegExp(`^${first}, place 2 of`))).toBeAttached()
  await page.keyboard.press('Space')
  await expect.poll(async () => (await names(page)).slice(0, 4)).toEqual([second, first, third, fourth])
  const middle = async (name: string) => {
    const box = (await page.getByRole('button', { name: `Move ${name}` }).boundingBox())!
    return [box.x + box.width / 2, box.y + box.height / 2] as const
  }
  const [[x, from], [, to]] = [await middle(fourth!), await middle(second!.replace(/ × .*/, ''))]
  await page.mouse.move(x, from)
  await page.mouse.down()
  await page.mouse.move(x, (from + to) / 2, { steps: 4 })
  await page.mouse.move(x, to - 4, { steps: 6 })
  await page.mouse.up()
  await expect.poll(async () => (await names(page)).slice(0, 4)).toEqual([fourth, second, first, third])
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await names(page)).slice(0, 4)).toEqual([first, second, third, fourth])
})

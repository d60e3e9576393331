import { expect } from '@playwright/test'
import { test } from './test'

test('a device is given a passkey, signs in by it, and no more once it is removed', async ({
  page,
  baseURL,
}) => {
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('WebAuthn.enable')
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      ...{ protocol: 'ctap2', transport: 'internal', automaticPresenceSimulation: true },
      ...{ hasResidentKey: true, hasUserVerification: true, isUserVerified: true },
    },
  })
  const menu = page.getByRole('button', { name: /^Maren Oduya/ })
  const own = async () => {
    await menu.first().click()
    await page.getByText('Sessions, passkeys, password').click()
  }
  // An address in figures has no passkeys, and says what has.
  await page.goto('/')
  await own()
  await expect(page.getByText(/open it as localhost/)).toBeVisible()

  await page.goto(baseURL?.replace('127.0.0.1', 'localhost') ?? '')
  const door = page.getByRole('button', { name: 'With a passkey of this device' })
  await door.click()
  await expect(page.getByRole('alert')).toContainText('The device gave no passkey')
  await menu.click()
  await own()
  await page.getByRole('textbox', { name: 'This device, by a name' }).fill('Desk in the office')
  await page.keyboard.press('Enter')
  await expect(page.getByText('This device signs you in from now on.')).toBeVisible()
  await expect(page.getByText('Desk in the office')).toBeVisible()
  await page.reload()
  await own()
  await expect(page.getByText('Desk in the office')).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()

  await door.click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('jobs')
  await own()
  await page.getByRole('button', { name: 'Remove the passkey of Desk in the office' }).click()
  await expect(page.getByText('Desk in the office signs in no more.')).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await door.click()
  await expect(page.getByRole('alert')).toContainText('That passkey does not open this')
})

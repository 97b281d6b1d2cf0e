import { registerSW } from 'virtual:pwa-register'

/** Keeps the app for use without a network; a newer version is taken up at the next visit, never mid-work. */
export function keepOffline(): void {
  registerSW({ immediate: true })
}

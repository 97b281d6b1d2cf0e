import { spawn } from 'node:child_process'

/** How Chromium is started here: Debian's, without its network habits, with WebGL in software. */
export const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--ignore-gpu-blocklist',
    '--disable-gpu-rasterization',
    '--disable-gpu-compositing',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

/** Serves the built app for a script; `stop` ends it. */
export async function serveApp(port: number): Promise<{ address: string; stop: () => void }> {
  const server = spawn('node', ['--import', 'tsx', 'server/main.ts'], {
    env: { ...process.env, PORT: String(port) },
    stdio: 'pipe',
  })
  await new Promise<void>((ready) => server.stdout.once('data', () => ready()))
  return { address: `http://127.0.0.1:${port}`, stop: () => server.kill() }
}

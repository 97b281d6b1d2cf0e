import { type Kernel, openKernel } from '../geometry/kernel.ts'

let opened: Promise<Kernel> | undefined

/** One kernel for all tests of a file. */
export const testKernel = (): Promise<Kernel> => {
  opened ??= openKernel()
  return opened
}

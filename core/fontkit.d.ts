declare module 'fontkit' {
  export function create(data: Uint8Array): unknown
}

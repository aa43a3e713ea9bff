/** A random UUID (RFC 9562, version 4), also on pages that come over plain HTTP, where browsers do not offer one. */
export function randomId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  bytes[6] = (bytes[6]! & 0x0f) | 0x40
  bytes[8] = (bytes[8]! & 0x3f) | 0x80
  const digits = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
  return digits.replace(/^(.{8})(.{4})(.{4})(.{4})/, '$1-$2-$3-$4-')
}

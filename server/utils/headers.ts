/**
 * What scripts, styles and the rest of a page may come from: Wakaru itself. Parts are styled while they are shown,
 * scripts never.
 */
export const contentPolicy = (nonce?: string): string =>
  [
    'default-src \'self\'',
    `script-src 'self' 'wasm-unsafe-eval'${nonce ? ` 'nonce-${nonce}'` : ''}`,
    'style-src \'self\' \'unsafe-inline\'',
    'img-src \'self\' data: blob:',
    'font-src \'self\'',
    'connect-src \'self\'',
    'worker-src \'self\'',
    'object-src \'none\'',
    'base-uri \'none\'',
    'form-action \'self\'',
    'frame-ancestors \'none\'',
  ].join('; ')

/** Headers of every answer. */
export const HEADERS: Record<string, string> = {
  'Content-Security-Policy': contentPolicy(),
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=()',
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Resource-Policy': 'same-origin',
}

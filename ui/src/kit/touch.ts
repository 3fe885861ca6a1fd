// Whether the last thing that touched the screen was a finger: then fields are typed by the
// large keys, also those that Next leads to.
let finger = false
window.addEventListener('pointerdown', (e) => (finger = e.pointerType === 'touch'), { capture: true })
window.addEventListener('keydown', (e) => e.isTrusted && (finger = false), { capture: true })

export const byFinger = () => finger

/**
 * Waits until the next frame was drawn, or a moment where none is, as in a window that is not seen: what is not
 * seen at once does not hold up what is.
 */
export const afterFrame = () =>
  new Promise<void>(go => {
    const late = window.setTimeout(go, 60)
    requestAnimationFrame(() => {
      window.clearTimeout(late)
      window.setTimeout(go)
    })
  })

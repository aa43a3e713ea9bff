/** Turns of which one comes a frame, so that scrolling never waits for several things to be drawn. */
export function oneAFrame(): () => Promise<void> {
  let last = Promise.resolve()
  const nextFrame = () => new Promise<void>((resolve) => requestAnimationFrame(() => resolve()))
  return () => (last = last.then(nextFrame))
}

// What a browser has and a plain test environment has not: frames.
globalThis.requestAnimationFrame ??= f => setTimeout(() => f(performance.now()), 4) as unknown as number

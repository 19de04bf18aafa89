declare module '*/docs/craft.md' {
  const topics: { title: string; html: string; room: boolean }[]
  export default topics
}
declare module '*/docs/craft.md?rooms' {
  const topics: { title: string; html: string; room: boolean }[]
  export default topics
}

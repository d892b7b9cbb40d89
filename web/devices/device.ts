/** What any measuring device looks like to the application: it is started, sends lines of text, and is stopped. */
export type MeasuringDevice = {
  name: string
  /** shown plainly, so that nobody takes a stand-in for a tape */
  simulated: boolean
  start: (onLine: (line: string) => void) => void
  stop: () => void
}

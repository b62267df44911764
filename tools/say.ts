/** Prints one line of what is being done. */
export function say(line: string): void {
  console.log(line);
}

/** Where a command must stop: one line saying what to do, then the end. */
export function stop(line: string): never {
  console.error(line);
  process.exit(1);
}

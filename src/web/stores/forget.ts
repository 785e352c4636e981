/** What is to be forgotten when somebody signs out, told by whatever remembers: nobody’s work is left to the next. */
const all: (() => void)[] = []
export const onForget = (forget: () => void): void => void all.push(forget)
export const forgetAll = (): void => all.forEach((forget) => forget())

/**
 * A sentence on paper that promises something. `restsOn` finds the fact it rests on, or null where there
 * is none; `says` is given that fact and names it. So the sentence cannot be said without it.
 */
export const promise =
  <About, Fact>(
    restsOn: (about: About) => Fact | null,
    says: (fact: Fact, about: About) => string,
  ): ((about: About) => string) =>
  (about) => {
    const fact = restsOn(about)
    return fact === null ? '' : says(fact, about)
  }

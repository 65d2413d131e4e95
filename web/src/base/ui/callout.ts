import { cva } from 'class-variance-authority'

/** What stands out from the text around it, by what it is about. */
export const callout = cva('rounded-sm border-l-4 px-3 py-2', {
  variants: {
    tone: {
      /** It does not go on like this, or it failed. */
      stop: 'border-stop bg-stop-soft',
      /** It can go wrong. */
      risk: 'border-risk-line bg-risk-soft',
      /** Something is asked or to be decided. */
      ask: 'border-gold-line bg-gold-soft',
      /** It is as it should be. */
      good: 'border-act bg-act-soft',
      note: 'border-rule-2 bg-note-soft',
    },
  },
})

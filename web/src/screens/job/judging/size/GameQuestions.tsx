import {
  boundByAnswers,
  type ChosenUse,
  GAME_KINDS,
  GAME_SETTINGS,
  GameAnswers,
  RESOLUTIONS,
} from '@tembrix/core/things/model'
import type { RecordForm } from '../../../../base/form'
import { CHOICES, numberFrom } from '../../../../base/format'
import { Field, Select, TextInput } from '../../../../base/ui'

interface Props {
  chosen: ChosenUse
  /** Its place in the list of uses. */
  at: number
  form: RecordForm
  onChange: (changes: Partial<ChosenUse>) => void
}

const NOT_ASKED = ''
const UNASKED = GameAnswers.parse({})

/** Questions about games in words that a customer can answer. */
export function GameQuestions({ chosen, at, form, onChange }: Props) {
  const game = chosen.game ?? UNASKED
  const answer = (changes: Partial<GameAnswers>) => onChange({ game: { ...game, ...changes } })
  const path = (field: keyof GameAnswers) => ['sizing', 'uses', at, 'game', field] as const
  const byAnswers = boundByAnswers(game)
  const choice = <T extends string>(
    label: string,
    value: T | null,
    values: readonly T[],
    words: Record<T, string>,
    set: (value: T | null) => void,
  ) => (
    <Field label={label}>
      {(control) => (
        <Select
          {...control}
          value={value ?? NOT_ASKED}
          options={[
            { value: NOT_ASKED, label: 'not asked' },
            ...values.map((one) => ({ value: one as string, label: words[one] })),
          ]}
          onValue={(next) => set(next === NOT_ASKED ? null : (next as T))}
        />
      )}
    </Field>
  )
  const count = (label: string, field: 'frames' | 'displayHz', hint?: string) => (
    <Field label={label} hint={hint} error={form.error(...path(field))}>
      {(control) => (
        <TextInput
          {...control}
          inputMode="numeric"
          value={form.value(...path(field))}
          onValue={(text) => answer({ [field]: numberFrom(text) as number | null })}
        />
      )}
    </Field>
  )
  return (
    <fieldset className="my-1.5 border-l-4 border-rule pl-3">
      <legend className="sr-only">What limits the games</legend>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1.5 @xl:grid-cols-3">
        <Field label="Which games?" className="col-span-full">
          {(control) => (
            <TextInput
              {...control}
              value={game.titles}
              onValue={(titles) => answer({ titles: titles.slice(0, 200) })}
            />
          )}
        </Field>
        {choice('Mostly', game.kind, GAME_KINDS, CHOICES.kind, (kind) => answer({ kind }))}
        {choice('Resolution', game.resolution, RESOLUTIONS, CHOICES.resolution, (resolution) =>
          answer({ resolution }),
        )}
        {choice('Picture settings', game.settings, GAME_SETTINGS, CHOICES.settings, (settings) =>
          answer({ settings }),
        )}
        {count('Frames a second wanted', 'frames')}
        {count('The display shows, Hz', 'displayHz')}
        {choice(
          'Limited by',
          chosen.bound ?? null,
          ['card', 'processor'] as const,
          CHOICES.bound,
          (bound) => onChange({ bound }),
        )}
      </div>
      <p className="mt-1 text-sm text-ink-2" aria-live="polite">
        {chosen.bound
          ? 'As you say it; the answers are not used.'
          : byAnswers
            ? `By the answers: mostly ${CHOICES.bound[byAnswers]}.`
            : 'Not known yet: forecasts go over both. While a game runs, a graphics load near 100 % means the card, one well below it the processor.'}
        {game.displayHz !== null &&
          game.frames !== null &&
          game.frames > game.displayHz &&
          ` The display shows ${game.displayHz} pictures a second: more frames are not seen.`}
      </p>
    </fieldset>
  )
}

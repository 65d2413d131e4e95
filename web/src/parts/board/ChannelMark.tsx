/** A channel's letter on its hatch; the hue comes from the channel's class on an element around it. */
export function ChannelMark({ channel }: { channel: string }) {
  return (
    <span className="channel-hatch grid min-w-7 place-items-center px-1">
      <b className="rounded-xs bg-[var(--ch)] px-1.5 font-mono text-[0.85rem] leading-5 text-[var(--ch-ink)]">
        {channel}
      </b>
    </span>
  )
}

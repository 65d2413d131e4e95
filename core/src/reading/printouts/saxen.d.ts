/** The part of the XML parser's interface that is used here; the package has no types of its own. */
declare module 'saxen' {
  type Decode = (text: string) => string
  interface Handlers {
    openTag: (name: string, attributes: () => Record<string, string>, decode: Decode) => void
    closeTag: (name: string) => void
    text: (text: string, decode: Decode) => void
    cdata: (text: string) => void
    error: (error: Error) => void
  }
  export class Parser {
    on<Event extends keyof Handlers>(event: Event, handler: Handlers[Event]): this
    parse(xml: string): void
    stop(): void
  }
}

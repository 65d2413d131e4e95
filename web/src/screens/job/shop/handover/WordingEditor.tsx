import type { Paragraph } from '@tembrix/core/things/records'
import { type JSONContent, mergeAttributes, Node } from '@tiptap/core'
import { Document } from '@tiptap/extension-document'
import { Paragraph as ParagraphNode } from '@tiptap/extension-paragraph'
import { Text } from '@tiptap/extension-text'
import { UndoRedo } from '@tiptap/extensions'
import { EditorContent, useEditor } from '@tiptap/react'
import { Select } from '../../../../base/ui'

interface Props {
  label: string
  paragraphs: readonly Paragraph[]
  /** Figures by name, as they are written now. */
  figures: Readonly<Record<string, string>>
  onChange: (paragraphs: Paragraph[]) => void
}

/** A figure of the record: it is moved or deleted as one letter and cannot be typed into. */
const Figure = Node.create({
  name: 'figure',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({ name: { default: '' }, text: { default: '' } }),
  parseHTML: () => [
    {
      tag: 'span[data-figure]',
      getAttrs: (element) => ({
        name: element.getAttribute('data-figure') ?? '',
        text: element.textContent ?? '',
      }),
    },
  ],
  renderHTML: ({ node, HTMLAttributes }) => [
    'span',
    mergeAttributes(HTMLAttributes, {
      'data-figure': node.attrs.name,
      title: node.attrs.name,
      class: 'rounded-sm bg-act-soft px-1 font-semibold whitespace-nowrap',
    }),
    node.attrs.text,
  ],
  renderText: ({ node }) => node.attrs.text,
})

/** Words around figures: the words are typed, the figures come from the record. */
export default function WordingEditor({ label, paragraphs, figures, onChange }: Props) {
  const editor = useEditor({
    extensions: [Document, ParagraphNode, Text, UndoRedo, Figure],
    injectCSS: false,
    content: contentOf(paragraphs, figures),
    autofocus: 'end',
    editorProps: {
      attributes: {
        'aria-label': label,
        role: 'textbox',
        'aria-multiline': 'true',
        class:
          'min-h-24 border border-rule-2 bg-sheet px-2.5 py-1.5 whitespace-pre-wrap focus:outline-2 focus:outline-act [&>p]:mb-1',
      },
    },
    onUpdate: ({ editor }) => onChange(paragraphsOf(editor.getJSON())),
  })
  const insert = (name: string) =>
    editor
      .chain()
      .focus()
      .insertContent({ type: 'figure', attrs: { name, text: figures[name] } })
      .run()
  return (
    <div className="flex flex-col gap-1.5">
      <EditorContent editor={editor} />
      <Select
        aria-label="Put in a figure of the record"
        className="max-w-md"
        value=""
        options={[
          { value: '', label: 'Put in a figure of the record…' },
          ...Object.entries(figures).map(([value, text]) => ({
            value,
            label: `${value}: ${text}`,
          })),
        ]}
        onValue={(name) => name && insert(name)}
      />
    </div>
  )
}

function contentOf(
  paragraphs: readonly Paragraph[],
  figures: Readonly<Record<string, string>>,
): JSONContent {
  const content = paragraphs.map((paragraph) => ({
    type: 'paragraph',
    content: paragraph
      .filter((stretch) => stretch !== '')
      .map((stretch) =>
        typeof stretch === 'string'
          ? { type: 'text', text: stretch }
          : {
              type: 'figure',
              attrs: { name: stretch.figure, text: figures[stretch.figure] ?? '?' },
            },
      ),
  }))
  return { type: 'doc', content: content.length > 0 ? content : [{ type: 'paragraph' }] }
}

const paragraphsOf = ({ content = [] }: JSONContent): Paragraph[] =>
  content.map(({ content: inside = [] }) =>
    inside.map((one) =>
      one.type === 'figure' ? { figure: String(one.attrs?.name) } : (one.text ?? ''),
    ),
  )

/** The headings of a table that stay on top; figures of money are set to the right. */
export function HeadRow({ names }: { names: readonly string[] }) {
  return (
    <thead className="sticky top-0 bg-sheet-2 text-sm">
      <tr>
        {names.map((name) => (
          <th
            key={name}
            scope="col"
            className={`px-3 py-2 font-semibold ${name === 'Price' ? 'text-right' : ''}`}
          >
            {name}
          </th>
        ))}
      </tr>
    </thead>
  )
}

/** Takes offers in over the API, as the shelf does with a price list. */
export async function takeInPrices(
  api: string,
  supplier: string,
  offers: readonly object[],
): Promise<void> {
  const post = async (path: string, body: object) => {
    const response = await fetch(`${api}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!response.ok) throw new Error(await response.text())
    return (await response.json()) as { id: string; taken: number }
  }
  const mapping = { headings: ['A'], columns: {} }
  const list = { supplier, name: 'prices.csv', mapping, complete: false, offers: offers.length }
  const { id } = await post('/price-lists', list)
  for (let at = 0; at < offers.length; ) {
    const piece = { at, offers: offers.slice(at, at + 50) }
    at = (await post(`/price-lists/${id}/offers`, piece)).taken
  }
  await post(`/price-lists/${id}/end`, {})
}

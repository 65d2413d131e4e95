import type { PricesMeant } from '../../things/records'

/** Words of headings, without accents, by what they say of the prices under them. */
const WITHOUT_TAX =
  /\b(?:net|netto|excl?|ex|excluding|without|before|plus|zzgl|ohne|exkl|hors|ht|sin|senza|bez|zonder)\b(?!.*\bpay)/
const WITH_TAX =
  /\b(?:gross|brutto|bruto|incl?|inkl|including|with|mit|ttc|avec|con|iva incl\w*|z vat|lordo|bruttopreis)\b/
const SHOP_PAYS =
  /\bcost\b|\b(?:your|dealer|trade|reseller|purchase|buying|wholesale)\b|einkauf|\bek\b|handler|achat|revendeur|compra|mayorista|acquisto|rivenditore|zakup|hurt|inkoop/
const CUSTOMERS_PAY =
  /\b(?:sale|selling|retail|rrp|m?srp|list price|street|end ?user|consumer)\b|verkauf|\bvk\b|\buvp\b|listenpreis|vente|public|conseille|\bventa\b|\bpvp\b|vendita|pubblico|sprzedaz|detal|verkoop|adviesprijs/
/** Of one module. A unit price is none of these: the unit is what is sold, and may be a kit. */
const EACH =
  /\b(?:per|each|pro|je|par|por|al|za) (?:module?|modulo|modul|stick|barrette|riegel|moduli)\b/
const WHOLE = /\b(?:kit|set|pack)(?: ?price| ?preis)?\b|gesamt|lot\b|zestaw/

/** Meaning of prices by their heading; null where it does not say, or says both. */
export function pricesMeantBy(heading: string): PricesMeant {
  const plain = heading
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
  const either = <One, Other>(one: RegExp, first: One, other: RegExp, second: Other) => {
    const [isOne, isOther] = [one.test(plain), other.test(plain)]
    return isOne === isOther ? null : isOne ? first : second
  }
  return {
    tax: either(WITH_TAX, 'with', WITHOUT_TAX, 'without'),
    payer: either(SHOP_PAYS, 'shop', CUSTOMERS_PAY, 'customer'),
    kit: either(EACH, 'each', WHOLE, 'whole'),
  }
}

/** What Node has of it and its types do not say. */
declare namespace WebAssembly {
  function compile(bytes: Uint8Array): Promise<WebAssembly.Module>
}

// Naive UI makes <style> elements at run time. The page's policy wants its
// nonce on each of them; this module must be the first one imported.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? ''
const create = document.createElement.bind(document)
document.createElement = ((tag: string, options?: ElementCreationOptions) => {
  const element = create(tag, options)
  if (tag.toLowerCase() === 'style') element.setAttribute('nonce', nonce)
  return element
}) as typeof document.createElement

package e2e

import "github.com/chromedp/chromedp"

// counter counts what a hand does on a page: entries, fields committed, and presses, a key
// or a tap outside of typed text. What a script does by itself counts for nothing.
const counter = `
	window.testCount = { entries: 0, presses: 0 }
	addEventListener('change', e => { if (e.isTrusted && e.target.matches('input:not([type=radio], [type=checkbox]), textarea')) testCount.entries++ }, true)
	addEventListener('keydown', e => {
		if (!e.isTrusted || e.repeat || ['Shift', 'Control', 'Alt', 'Meta', 'Backspace', 'Delete'].includes(e.key)) return
		if (e.key.length > 1 || e.ctrlKey || e.altKey || e.metaKey) testCount.presses++
	}, true)
	addEventListener('click', e => { if (e.isTrusted && e.detail > 0) testCount.presses++ }, true)
`

// counting begins to count anew.
func (p *page) counting() {
	p.t.Helper()
	eval[bool](p, `(Object.assign(window.testCount, { entries: 0, presses: 0 }), true)`)
}

// counted answers what was done since.
func (p *page) counted() (entries, presses int) {
	p.t.Helper()
	return eval[int](p, `window.testCount.entries`), eval[int](p, `window.testCount.presses`)
}

// tap clicks what a selector finds.
func (p *page) tap(selector string) {
	p.t.Helper()
	p.wait(selector, `document.querySelector(`+"`"+selector+"`"+`)`)
	p.do(chromedp.Click(chromedp.CSS(selector)))
}

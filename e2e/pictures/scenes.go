package main

import "risepan/e2e/drive"

// scene is one picture: where, what to wait for, and what to do first.
type scene struct {
	name, path, wait string
	phone, dark      bool
	act              func(*drive.Page)
}

func pick(recipe string) func(*drive.Page) {
	return func(p *drive.Page) {
		p.Click("All recipes")
		p.Click(recipe)
		p.Until(recipe+" to be planned", "document.querySelector('h1').innerText.includes("+`"`+recipe+`"`+")")
		p.Until("its amounts", "document.querySelector('[data-amount]')")
	}
}

// measure goes to the bench with the raisin loaf, up to the step of an ingredient.
func measure(ingredient string) func(*drive.Page) {
	return func(p *drive.Page) {
		pick("Mooring raisin loaf")(p)
		p.Click("To the bench")
		p.Sees("Get these out")
		for now := ""; now != ingredient; now = p.Text("[data-step] h2") {
			if now != "" {
				p.Click("Next")
				p.Until("the next step", "document.querySelector('[data-step] h2').innerText !== \""+now+"\"")
			}
		}
	}
}

var scenes = []scene{
	{name: "plan", path: "/", wait: "In the pan", act: func(p *drive.Page) {
		pick("Mooring raisin loaf")(p)
		p.Click("Ready by")
		p.Until("a delay", "/^\\d+ h \\d\\d$/.test(document.querySelector('[data-timer]')?.innerText)")
	}},
	{name: "plan-why", path: "/", wait: "In the pan", dark: true, act: func(p *drive.Page) {
		pick("Lock-keeper's wholemeal")(p)
		p.Click("Machine:")
		p.Click("Boatyard machine")
		p.Sees("dry first")
		p.Click("why this cycle")
		p.Sees("other cycles")
	}},
	{name: "rounding", path: "/", wait: "In the pan", act: func(p *drive.Page) {
		pick("Oat and honey loaf")(p)
		p.Click("1 lb")
		p.Until("the small loaf", "document.querySelector('[data-grams=bread-flour]').innerText.includes('203')")
		fewest := p.Text("[data-handling]")
		p.Click("Closer")
		p.Until("a step closer", "document.querySelector('[data-handling]').innerText !== '"+fewest+"'")
		p.Click(p.Text("[data-handling]"))
		p.Sees("rounded one by one")
		p.Click("1/3 cup")
		p.Until("the third of a cup away", "target('1/3 cup').ariaPressed === 'false'")
	}},
	{name: "recipe", path: "/recipes/new", wait: "A new recipe", act: func(p *drive.Page) {
		p.Type("Ingredients", "Harbour fruit loaf\r| 1 lb | 1 1/2 lb\rWater, lukewarm | 2/3 cup | 1 cup\rButter, "+
			"softened | 1 tbsp | 1 1/2 tbsp\rSalt | 1 tsp | 1 1/2 tsp\rStrong white flour | 2 cups | 3 cups\rNutmg "+
			"| 1/4 tsp | 1/2 tsp\rYeast | 1 tsp | 1 1/2 tsp\rAdd-ins:\rMixed fruit | 1/3 cup | 1/2 cup\rSweet "+
			"cycle, light crust.")
		p.Sees("Did you mean")
		p.Sees("sweet cycle, light crust")
	}},
	{name: "kitchen", path: "/kitchen", wait: "Cups and spoons"},
	{name: "formula", path: "/", wait: "In the pan", act: func(p *drive.Page) {
		pick("Sluice-gate egg loaf")(p)
		p.Click("whole milk")
		p.Click("Use water and dry milk")
		p.Sees("Save swap to recipe")
		p.Click("Before and after")
		p.Sees("net carbohydrate")
	}},
	{name: "story", path: "/recipes", wait: "Oat and honey loaf", act: func(p *drive.Page) {
		p.Click("Its story: Oat and honey loaf")
		p.Until("its figures", "document.querySelectorAll('[data-plot] svg polyline').length === 4")
	}},
	{name: "plan-phone", path: "/", wait: "Measure, in this order", phone: true},
	{name: "bench", path: "/", wait: "In the pan", act: measure("bread flour")},
	{name: "bench-phone", path: "/", wait: "Measure, in this order", phone: true, act: measure("table salt")},
	{name: "log", path: "/log", wait: "Mooring raisin loaf"},
	{name: "watch", path: "/", wait: "In the pan", act: func(p *drive.Page) {
		pick("Mooring raisin loaf")(p)
		p.Click("Start the bake")
		p.Until("what to set", "document.querySelector('[role=dialog] ol')")
		p.Click("I have pressed Start")
		p.Until("the countdown", "document.querySelector('[data-countdown]')")
	}},
	{name: "verdict", path: "/watch", wait: "On the clock", act: func(p *drive.Page) {
		p.Click("End this bake early")
		p.Sees("What do you see, feel and taste?")
		p.Click("sunken top")
		p.Click("2: poor")
	}},
	{name: "machine", path: "/machines", wait: "Add a machine", act: func(p *drive.Page) {
		p.Click("Edit: Galley machine")
		p.Click("Cycles")
		p.Until("the totals", "field('Total of Basic, 1 lb')?.value")
	}},
	{name: "compare", path: "/", wait: "In the pan", act: func(p *drive.Page) {
		pick("Lock-keeper's wholemeal")(p)
		p.Click("why this cycle")
		p.Click("Compare cycles")
		p.Sees("Beside")
	}},
	{name: "bring", path: "/bring", wait: "Paste it here", act: func(p *drive.Page) {
		p.Type("Paste it here", "Farm bread\n750 g bread flour\n480 ml water\n15 g salt\n10 g instant "+
			"yeast\nMethod\nKnead for 10 minutes on a floured board.\nLeave until doubled in size.\nBake at 220 °C "+
			"for 35 minutes.")
		p.Click("Check what was pasted")
		p.Sees("This is an oven recipe")
	}},
	{name: "rehearse", path: "/", wait: "In the pan", act: func(p *drive.Page) {
		pick("Towpath white")(p)
		p.Click("Practise")
		p.Click("Start practising")
		p.Sees("The plan says:")
		p.Click("×600")
		p.Click("Start")
		p.Sees("what is it like?")
	}},
	{name: "card", path: "/", wait: "In the pan", act: func(p *drive.Page) {
		pick("Cinnamon coil")(p)
		p.Click("Card")
		p.Sees("Into the pan")
	}},
	{name: "day", path: "/day", wait: "Put a loaf on the day", act: func(p *drive.Page) {
		drive.Value[bool](p, saturday)
		p.Sees("Swing-bridge rolls")
		p.Until("its ribbons", "document.querySelectorAll('button[data-loaf]').length === 5")
	}},
}

// saturday puts five loaves on the next Saturday but one, and shows it.
const saturday = `(async () => {
	const date = new Date(Date.now() + 86400000 * (7 + (13 - new Date().getDay()) % 7)).toISOString().slice(0, 10)
	const at = "/api/v1/kitchens/" + localStorage.getItem("kitchen")
	const shelf = await (await fetch(at)).json()
	const loaf = (name, by) => ({ id: name.replaceAll(" ", "-"), when: "by", by: date + "T" + by, wish: {
		recipe: shelf.recipes.find((r) => r.name === name).id, machine: shelf.machines[0].id,
			loaf: { size: "1 1/2 lb" } } })
	const loaves = [loaf("Towpath white", "07:30"), loaf("Mooring raisin loaf", "13:00"), loaf("Oat and honey loaf",
		"13:00"),
		loaf("Swing-bridge rolls", "19:00"), loaf("Lock-keeper's wholemeal", "18:00")]
	const away = [{ from: date + "T10:00", to: date + "T12:30", name: "Market" }]
	const put = await fetch(at + "/days/" + date, { method: "PUT", headers: { "If-Match": "0" },
		body: JSON.stringify({ hands: 1, away, loaves }) })
	history.pushState(null, "", "/day/" + date)
	dispatchEvent(new PopStateEvent("popstate"))
	return put.ok
})()`

package exchange

import (
	"math"
)

func (d *dxf) header(units int, seed string, w, h float64) {
	d.section("HEADER")
	d.put(9, "$ACADVER")
	d.put(1, "AC1015")
	d.put(9, "$DWGCODEPAGE")
	d.put(3, "ANSI_1252")
	d.put(9, "$HANDSEED")
	d.put(5, seed)
	d.put(9, "$INSUNITS")
	d.int(70, units)
	d.put(9, "$MEASUREMENT")
	d.int(70, map[int]int{1: 0, 4: 1}[units])
	d.put(9, "$EXTMIN")
	d.num(10, 0)
	d.num(20, 0)
	d.num(30, 0)
	d.put(9, "$EXTMAX")
	d.num(10, w*d.scale)
	d.num(20, h*d.scale)
	d.num(30, 0)
	d.put(0, "ENDSEC")
	d.section("CLASSES")
	d.put(0, "ENDSEC")
}

// table opens a symbol table with its handle and number of entries.
func (d *dxf) table(name string, handle, count int) {
	d.put(0, "TABLE")
	d.put(2, name)
	d.put(5, hex(handle))
	d.put(330, "0")
	d.put(100, "AcDbSymbolTable")
	d.int(70, count)
}

// entry opens a symbol table record.
func (d *dxf) entry(kind string, handle, owner int, class, name string) {
	d.put(0, kind)
	code := 5
	if kind == "DIMSTYLE" {
		code = 105
	}
	d.put(code, hex(handle))
	d.put(330, hex(owner))
	d.put(100, "AcDbSymbolTableRecord")
	d.put(100, class)
	d.put(2, name)
}

func (d *dxf) tables() {
	d.section("TABLES")
	d.table("VPORT", 0x8, 0)
	d.put(0, "ENDTAB")
	d.lineTypes()
	d.layers()
	d.table("STYLE", 0x3, 1)
	d.entry("STYLE", 0x30, 0x3, "AcDbTextStyleTableRecord", "STANDARD")
	d.int(70, 0)
	d.num(40, 0)
	d.num(41, 1)
	d.num(50, 0)
	d.int(71, 0)
	d.num(42, 2.5)
	d.put(3, "txt")
	d.put(4, "")
	d.put(0, "ENDTAB")
	d.table("VIEW", 0x6, 0)
	d.put(0, "ENDTAB")
	d.table("UCS", 0x7, 0)
	d.put(0, "ENDTAB")
	d.table("APPID", 0x9, 1)
	d.entry("APPID", 0x31, 0x9, "AcDbRegAppTableRecord", "ACAD")
	d.int(70, 0)
	d.put(0, "ENDTAB")
	d.table("DIMSTYLE", 0xA, 1)
	d.put(100, "AcDbDimStyleTable")
	d.entry("DIMSTYLE", 0x32, 0xA, "AcDbDimStyleTableRecord", "STANDARD")
	d.int(70, 0)
	d.put(0, "ENDTAB")
	d.table("BLOCK_RECORD", hBlockRecords, 2)
	d.entry("BLOCK_RECORD", hModel, hBlockRecords, "AcDbBlockTableRecord", "*Model_Space")
	d.put(340, "0")
	d.entry("BLOCK_RECORD", hPaper, hBlockRecords, "AcDbBlockTableRecord", "*Paper_Space")
	d.put(340, "0")
	d.put(0, "ENDTAB")
	d.put(0, "ENDSEC")
}

func (d *dxf) lineTypes() {
	const owner = 0x5
	types := []struct {
		name, look string
		dashes     []float64
	}{{"BYBLOCK", "", nil}, {"BYLAYER", "", nil}, {"CONTINUOUS", "Solid line", nil},
		{"DASHED", "__ __ __", []float64{12, -6}}, {"DASHDOT", "__ . __", []float64{12, -3, 0, -3}}, {"DOT", ". . .", []float64{0, -3}}}
	d.table("LTYPE", owner, len(types))
	for i, t := range types {
		d.entry("LTYPE", 0x40+i, owner, "AcDbLinetypeTableRecord", t.name)
		d.int(70, 0)
		d.put(3, t.look)
		d.int(72, 65)
		d.int(73, len(t.dashes))
		total := 0.0
		for _, v := range t.dashes {
			total += math.Abs(v)
		}
		d.num(40, total*d.scale)
		for _, v := range t.dashes {
			d.num(49, v*d.scale)
			d.int(74, 0)
		}
	}
	d.put(0, "ENDTAB")
}

func (d *dxf) layers() {
	const owner = 0x2
	layers := []struct {
		name, line string
		colour     int
	}{{"0", "CONTINUOUS", 7}, {layerCut, "CONTINUOUS", 7}, {layerBendUp, "DASHED", 5}, {layerBendDown, "DASHDOT", 1}, {layerMark, "DOT", 3}}
	d.table("LAYER", owner, len(layers))
	for i, l := range layers {
		d.entry("LAYER", 0x50+i, owner, "AcDbLayerTableRecord", l.name)
		d.int(70, 0)
		d.int(62, l.colour)
		d.put(6, l.line)
		d.put(390, hex(0x22))
	}
	d.put(0, "ENDTAB")
}

func (d *dxf) blocks() {
	d.section("BLOCKS")
	for i, b := range []struct {
		name   string
		record int
	}{{"*Model_Space", hModel}, {"*Paper_Space", hPaper}} {
		d.put(0, "BLOCK")
		d.put(5, hex(0x60+2*i))
		d.put(330, hex(b.record))
		d.put(100, "AcDbEntity")
		if i == 1 {
			d.int(67, 1)
		}
		d.put(8, "0")
		d.put(100, "AcDbBlockBegin")
		d.put(2, b.name)
		d.int(70, 0)
		d.num(10, 0)
		d.num(20, 0)
		d.num(30, 0)
		d.put(3, b.name)
		d.put(1, "")
		d.put(0, "ENDBLK")
		d.put(5, hex(0x61+2*i))
		d.put(330, hex(b.record))
		d.put(100, "AcDbEntity")
		if i == 1 {
			d.int(67, 1)
		}
		d.put(8, "0")
		d.put(100, "AcDbBlockEnd")
	}
	d.put(0, "ENDSEC")
}

func (d *dxf) objects() {
	d.section("OBJECTS")
	d.dictionary(hRoot, 0, [][2]string{{"ACAD_GROUP", hex(hGroups)}, {"ACAD_PLOTSTYLENAME", hex(0x23)}})
	d.dictionary(hGroups, hRoot, nil)
	d.put(0, "ACDBDICTIONARYWDFLT")
	d.put(5, hex(0x23))
	d.put(330, hex(hRoot))
	d.put(100, "AcDbDictionary")
	d.int(281, 1)
	d.put(3, "Normal")
	d.put(350, hex(0x22))
	d.put(100, "AcDbDictionaryWithDefault")
	d.put(340, hex(0x22))
	d.put(0, "ACDBPLACEHOLDER")
	d.put(5, hex(0x22))
	d.put(330, hex(0x23))
	d.put(0, "ENDSEC")
}

func (d *dxf) dictionary(handle, owner int, entries [][2]string) {
	d.put(0, "DICTIONARY")
	d.put(5, hex(handle))
	d.put(330, hex(owner))
	d.put(100, "AcDbDictionary")
	d.int(281, 1)
	for _, e := range entries {
		d.put(3, e[0])
		d.put(350, e[1])
	}
}

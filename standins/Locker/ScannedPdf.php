<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Locker;

/** A PDF as a scanner makes it: of each page a grey picture, and no text. Drawn with poppler's pdftoppm. */
final class ScannedPdf
{
    private const DOTS_AN_INCH = 120;

    /** @param  string  $pdf  the file whose pages are pictured, as it is */
    public static function of(string $pdf): string
    {
        $folder = sys_get_temp_dir().'/heron-scan-'.bin2hex(random_bytes(6));
        mkdir($folder, 0700);
        try {
            file_put_contents("{$folder}/from.pdf", $pdf);
            $command = ['pdftoppm', '-jpeg', '-gray', '-r', (string) self::DOTS_AN_INCH, "{$folder}/from.pdf", "{$folder}/page"];
            exec(implode(' ', array_map(escapeshellarg(...), $command)), result_code: $code);
            $pictures = glob("{$folder}/page*.jpg") ?: [];
            if ($code !== 0 || $pictures === []) {
                throw new \RuntimeException('The pages could not be drawn.');
            }

            return self::written(array_map(fn (string $path): string => (string) file_get_contents($path), $pictures));
        } finally {
            array_map(unlink(...), glob("{$folder}/*") ?: []);
            rmdir($folder);
        }
    }

    /** @param  list<string>  $pictures  JPEG */
    private static function written(array $pictures): string
    {
        $objects = [1 => '<< /Type /Catalog /Pages 2 0 R >>'];
        $kids = [];
        foreach ($pictures as $i => $picture) {
            $at = 3 + 3 * $i;
            [0 => $width, 1 => $height, 'channels' => $channels] = getimagesizefromstring($picture) + ['channels' => 1];
            $colours = $channels === 3 ? 'DeviceRGB' : 'DeviceGray';
            $kids[] = "{$at} 0 R";
            $draw = 'q 595 0 0 842 0 0 cm /Im Do Q';
            $objects[$at] = '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /XObject << /Im '.($at + 2).
                ' 0 R >> >> /Contents '.($at + 1).' 0 R >>';
            $objects[$at + 1] = '<< /Length '.strlen($draw)." >>\nstream\n{$draw}\nendstream";
            $objects[$at + 2] = "<< /Type /XObject /Subtype /Image /Width {$width} /Height {$height} /ColorSpace /{$colours} ".
                '/BitsPerComponent 8 /Filter /DCTDecode /Length '.strlen($picture)." >>\nstream\n{$picture}\nendstream";
        }
        $objects[2] = '<< /Type /Pages /Kids ['.implode(' ', $kids).'] /Count '.count($pictures).' >>';
        ksort($objects);

        return PdfFile::of($objects);
    }
}

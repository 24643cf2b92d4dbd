<?php

declare(strict_types=1);

namespace App\Files\Out;

use App\Files\TemporaryFolder;
use Illuminate\Support\Facades\Process;
use WaryHeron\Core\Bibliography\Format\CslJson\CslJsonWriter;
use WaryHeron\Core\Bibliography\Reference;

/** A formatted list of references in a citation style, made by pandoc from CSL-JSON. */
final class ReferenceList
{
    private const FOLDER = '/usr/share/citation-style-language/styles';

    private const SECONDS = 120;

    /** More would take pandoc minutes. */
    public const MOST = 2000;

    /** @return array<string, string> names of the styles that this machine has, by file */
    public static function styles(): array
    {
        $offered = [
            'apa' => 'APA',
            'vancouver' => 'Vancouver',
            'american-medical-association' => 'AMA',
            'harvard-cite-them-right' => 'Harvard',
            'ieee' => 'IEEE',
            'chicago-author-date' => 'Chicago, author and date',
            'nature' => 'Nature',
            'council-of-science-editors' => 'CSE',
        ];

        return array_filter(
            $offered,
            fn (string $style): bool => is_file(self::FOLDER."/{$style}.csl"),
            ARRAY_FILTER_USE_KEY,
        );
    }

    /**
     * @param  iterable<Reference>  $references
     * @param  'plain'|'docx'|'html'  $to
     */
    public static function of(iterable $references, string $style, string $to): string
    {
        $folder = TemporaryFolder::make();
        try {
            file_put_contents("{$folder}/references.json", implode('', [...(new CslJsonWriter())->write($references)]));
            $made = Process::timeout(self::SECONDS)
                ->input("---\nnocite: '@*'\n---\n")
                ->run(self::command("{$folder}/references.json", $style, $to));
            if ($made->failed()) {
                throw new \RuntimeException("pandoc failed: {$made->errorOutput()}");
            }

            return $made->output();
        } finally {
            TemporaryFolder::remove($folder);
        }
    }

    /** @return list<string> */
    private static function command(string $references, string $style, string $to): array
    {
        return [
            ...TextDownload::LIMITS,
            'pandoc',
            ...$to === 'docx' ? [] : ['--sandbox'],
            '--from=markdown',
            "--to={$to}",
            '--citeproc',
            "--bibliography={$references}",
            '--csl='.self::FOLDER."/{$style}.csl",
            '--wrap=none',
            '--output=-',
        ];
    }
}

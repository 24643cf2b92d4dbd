<?php

declare(strict_types=1);

namespace App\Files\Out;

use App\Files\TemporaryFolder;
use Illuminate\Support\Facades\Process;
use WaryHeron\Core\Bibliography\Format\CslJson\CslJsonWriter;
use WaryHeron\Core\Bibliography\Reference;

/** Citations in a text and the list of what they name, in a citation style, by pandoc's citeproc. */
final readonly class Citations
{
    private const FOLDER = '/usr/share/citation-style-language/styles';

    private const SECONDS = 60;

    /**
     * @param  list<string>  $texts  HTML of each citation, in the order they were asked for
     * @param  string  $list  HTML of the reference list
     */
    private function __construct(public array $texts, public string $list)
    {
    }

    /**
     * @param  list<list<string>>  $groups  ids of the references that each citation names
     * @param  array<string, Reference>  $references  by id
     */
    public static function of(array $groups, array $references, string $style): self
    {
        if ($groups === [] || $references === []) {
            return new self(array_fill(0, count($groups), ''), '');
        }
        $folder = TemporaryFolder::make();
        try {
            $items = [];
            foreach ($references as $id => $reference) {
                $item = json_decode(implode('', [...(new CslJsonWriter())->write([$reference])]), true)[0];
                $items[] = ['id' => $id] + $item;
            }
            file_put_contents("{$folder}/references.json", json_encode($items, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
            $made = Process::timeout(self::SECONDS)
                ->input(self::asked($groups, $references))
                ->run([
                    ...TextDownload::LIMITS, 'pandoc', '--sandbox', '--from=markdown', '--to=html', '--citeproc',
                    "--bibliography={$folder}/references.json", '--csl='.self::FOLDER."/{$style}.csl", '--wrap=none',
                ]);
            if ($made->failed()) {
                throw new \RuntimeException("pandoc failed: {$made->errorOutput()}");
            }

            return self::read($made->output(), count($groups));
        } finally {
            TemporaryFolder::remove($folder);
        }
    }

    /**
     * @param  list<list<string>>  $groups
     * @param  array<string, Reference>  $references
     */
    private static function asked(array $groups, array $references): string
    {
        $text = '';
        foreach ($groups as $ids) {
            $known = array_filter($ids, fn (string $id): bool => isset($references[$id]));
            // one of which nothing is known any more is said, not left out
            $text .= ($known === [] ? '(gone)' : '['.implode('; ', array_map(fn (string $id): string => "@{$id}", $known)).']')."\n\n";
        }

        return $text;
    }

    private static function read(string $html, int $count): self
    {
        [$body, $list] = [...explode('<div id="refs"', $html, 2), ''];
        preg_match_all('~<p>(.*?)</p>~s', $body, $found);
        $texts = array_map(fn (string $one): string => trim(strip_tags($one, '<sup><sub><em><i>')), $found[1]);

        return new self(array_slice(array_pad($texts, $count, ''), 0, $count), $list === '' ? '' : "<div id=\"refs\"{$list}");
    }
}

<?php

declare(strict_types=1);

namespace Bench\Printed;

use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Reference;

/** What a reference that was read from print tells otherwise than the work that was printed. */
final readonly class Compared
{
    /** @param  list<string>  $wrong */
    private function __construct(public string $kind, public array $wrong)
    {
    }

    /**
     * @param  array<string, mixed>  $item  of CSL-JSON
     * @param  list<Reference|UnreadableRecord>  $read  all of its list
     * @return ?self  null where it stands nowhere in the list as it is, for instance without its title
     */
    public static function of(array $item, array $read): ?self
    {
        $year = $item['issued']['date-parts'][0][0];
        $first = $item['author'][0]['family'] ?? $item['author'][0]['literal'];
        foreach ($read as $one) {
            $text = ' '.self::plain($one instanceof Reference ? $one->source : $one->text).' ';
            $needs = [self::plain($item['title']), self::plain($first), (string) $year];
            if (array_filter($needs, fn (string $need): bool => ! str_contains($text, $need)) === []) {
                $wrong = $one instanceof Reference ? self::wrong($item, $one, $first, $year) : ['untold'];

                return new self($item['type'], $wrong);
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $item
     * @return list<string>
     */
    private static function wrong(array $item, Reference $read, string $first, int $year): array
    {
        $named = array_values(array_filter($read->authors, fn ($name): bool => $name->family !== 'et al.'));
        $isCut = count($named) < count($read->authors);
        $journals = [self::plain($item['container-title'] ?? ''), self::plain($item['container-title-short'] ?? '')];
        $page = explode('-', $item['page'] ?? '')[0];
        $isArticle = $item['type'] === 'article-journal';
        $isRight = [
            'title' => self::plain($read->title) === self::plain($item['title']),
            'year' => $read->year === $year,
            'first author' => $named !== [] && self::plain($named[0]->family) === self::plain($first),
            'authors' => $isCut || count($named) === count($item['author']),
            'journal' => ! $isArticle || in_array(self::plain($read->journal), $journals, true),
            'volume' => ! $isArticle || $read->volume === $item['volume'],
            'page' => ! $isArticle || $read->firstPage === $page || ! str_contains($read->source, $page),
            'book' => $item['type'] !== 'chapter' || self::plain($read->journal) === $journals[0],
        ];

        return array_keys(array_filter($isRight, fn (bool $one): bool => ! $one));
    }

    /** Letters and figures alone, without marks; styles change the rest. */
    private static function plain(string $text): string
    {
        $parted = \Normalizer::normalize($text, \Normalizer::FORM_KD);
        $bare = (string) preg_replace('/\p{M}+/u', '', is_string($parted) ? $parted : $text);

        return trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', str_replace('&', ' and ', mb_strtolower($bare))));
    }
}

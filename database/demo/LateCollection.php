<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Models\Record;
use App\Models\Review;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/**
 * Records of a review's publications as somebody would keep them by hand: shortened, mistyped, without DOI; some leave
 * room for doubt.
 */
final class LateCollection
{
    /** @return \Generator<int, Reference> */
    public static function of(Review $review): \Generator
    {
        $records = Record::query()
            ->where('review_id', $review->id)
            ->whereRaw("reference->>'volume' <> '' AND jsonb_array_length(reference->'authors') > 1")
            ->orderByRaw("md5(reference->>'title')")
            ->limit(72)
            ->get();
        foreach ($records as $i => $record) {
            yield self::told(Reference::fromArray($record->reference), $i);
        }
        yield new Reference(
            PublicationType::Article,
            'Lamps over the drug trolley: what the night staff of one ward say',
            [new Name('Verlund', 'K.')],
            2012,
            '2012',
            'Ward Letters',
            volume: '3',
            firstPage: '14',
            lastPage: '17',
            id: 'W-901',
        );
        yield new Reference(
            PublicationType::Report,
            'Light plan for the night wards: a report of the estates department',
            [new Name('Estates Department of Tarvik Hospital')],
            2018,
            '2018',
            id: 'W-902',
        );
    }

    private static function told(Reference $r, int $i): Reference
    {
        $short = implode(
            ' ',
            array_map(
                fn (string $word): string => mb_strlen($word) > 4 ? mb_substr($word, 0, 4).'.' : $word,
                explode(' ', $r->journal),
            ),
        );
        $change = match ($i % 9) {
            0 => ['title' => mb_strtoupper($r->title), 'doi' => ''],
            1 => ['title' => (string) preg_replace('/: .*$/u', '', $r->title), 'journal' => $short],
            2 => ['doi' => '', 'issue' => '', 'abstract' => '', 'journal' => $short],
            // the year before, and nothing of where it stood
            3 => [
                'year' => ($r->year ?? 2015) - 1,
                'date' => (string) (($r->year ?? 2015) - 1),
                'volume' => '',
                'issue' => '',
                'firstPage' => '',
                'lastPage' => '',
                'doi' => '',
                'abstract' => '',
            ],
            // another DOI in the same place
            4 => ['doi' => '10.79000/ward.'.substr(md5($r->title), 0, 6)],
            5 => [
                'title' => substr_replace($r->title, '', min(12, strlen($r->title) - 1), 1),
                'doi' => '',
                'abstract' => '',
            ],
            // the same page, mistyped
            6 => ['firstPage' => (string) ((int) $r->firstPage + 100), 'lastPage' => '', 'abstract' => ''],
            7 => ['authors' => [$r->authors[0], new Name('et al.')], 'doi' => '', 'language' => ''],
            default => [
                'volume' => $r->issue === '' ? $r->volume : $r->issue,
                'issue' => $r->issue === '' ? '' : $r->volume,
            ],
        };

        return new Reference(
            ...[
                ...get_object_vars($r),
                'id' => sprintf('W-%03d', $i + 1),
                'accession' => '',
                'extra' => [],
                'source' => '',
                'line' => 0,
                ...$change,
                'title' => mb_scrub($change['title'] ?? $r->title, 'UTF-8'),
            ],
        );
    }
}

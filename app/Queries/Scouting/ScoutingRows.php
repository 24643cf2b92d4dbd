<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\FurtherQuestion;
use App\Models\ScoutedPaper;
use App\Models\Scouting;
use WaryHeron\Core\Bibliography\Name;

/**
 * What a question brought as a table. The first column names the paper and never changes, so that a table that was
 * taken before is brought up to date by it and no row is doubled.
 */
final class ScoutingRows
{
    /** @return \Generator<int, list<string|int|float|null>> */
    public static function of(Scouting $scouting, FoundPapers $papers): \Generator
    {
        $questions = $scouting->furtherQuestions()->get();
        yield self::headings($scouting);
        foreach ($papers->wanted() as $paper) {
            yield [...self::row($paper), ...self::further($paper, $papers, $questions->all())];
        }
    }

    /** @return list<string> the first is the key */
    public static function headings(Scouting $scouting): array
    {
        $asked = $scouting->furtherQuestions()->pluck('label')->all();

        return [
            'key', 'authors', 'year', 'title', 'journal', 'doi', 'answer', 'direction', 'by how much', 'confidence', 'reason',
            'study', 'score',
            ...array_merge(...array_map(fn (string $label): array => [$label, "{$label} (quote)"], $asked)),
        ];
    }

    /** @return list<string|int|float|null> */
    private static function row(ScoutedPaper $paper): array
    {
        $reference = $paper->reference();

        return [
            $paper->key,
            implode('; ', array_map(fn (Name $name): string => $name->short(), $reference->authors)),
            $reference->year,
            $reference->suppliedTitle(),
            $reference->appearedIn(),
            $reference->doi,
            $paper->sentence,
            $paper->direction->value ?? '',
            $paper->amount(),
            $paper->confidence->value,
            $paper->reason,
            $paper->design->label(),
            round($paper->score, 4),
        ];
    }

    /**
     * @param  array<FurtherQuestion>  $questions
     * @return list<string>
     */
    private static function further(ScoutedPaper $paper, FoundPapers $papers, array $questions): array
    {
        $cells = [];
        foreach ($questions as $question) {
            $answer = $papers->further[$paper->id][$question->id] ?? null;
            $cells[] = trim(($answer->value ?? '').' '.($answer->unit ?? ''));
            $cells[] = (string) ($answer->quote ?? '');
        }

        return $cells;
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Scouting;

use App\Models\ScoutedPaper;
use App\Models\Scouting;
use App\Queries\Scouting\PaperText;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Core\Scouting\TextAnswer;

/**
 * Reads the full texts that the review has of papers whose abstract does not answer. What is found stands with its page;
 * what an abstract says is left as it is.
 */
final readonly class LookIntoTexts
{
    private const TOGETHER = 10;

    private const MOST = 200;

    /** A full text that answers stands among those of which it is not sure. */
    private const SCORE = 0.5;

    public function execute(Scouting $scouting, Families $families): void
    {
        $question = (new Scout($families))->question($scouting->question);
        foreach ($this->silent($scouting)->chunk(self::TOGETHER) as $papers) {
            foreach (PaperText::of($scouting->review_id, $papers) as $id => $text) {
                $answer = $text->isWhole ? TextAnswer::in(Passages::of($text->paper), $question) : null;
                $answer === null || self::believe($papers->firstOrFail('id', $id), $answer);
            }
        }
    }

    private static function believe(ScoutedPaper $paper, TextAnswer $answer): void
    {
        $paper->update([
            'sentence' => $answer->sentence,
            'page' => $answer->page,
            'direction' => $answer->direction,
            'confidence' => $answer->confidence,
            'score' => max(self::SCORE, $paper->score),
            'reason' => "the abstract does not answer, the full text does; {$paper->reason}",
        ]);
    }

    /** @return Collection<int, ScoutedPaper> of the library, the likeliest first */
    private function silent(Scouting $scouting): Collection
    {
        /** @var Collection<int, ScoutedPaper> */
        return $scouting->papers()
            ->where('sentence', '')
            ->whereNotNull('publication_id')
            ->orderByDesc('score')
            ->limit(self::MOST)
            ->get();
    }
}

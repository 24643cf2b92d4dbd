<?php

declare(strict_types=1);

namespace App\Actions\Scouting;

use App\Models\ScoutedPaper;
use App\Models\Scouting;
use App\Queries\Scouting\PaperText;
use App\Sources\OutsideLeads;
use App\Sources\SourceFailed;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\LeadFinder;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Core\Scouting\ToldAnswer;

/**
 * Asks the service that was set up for leads, where one was, for the sentence that answers in the likeliest papers
 * (docs/leads-service.md). What our engine is firm about stays.
 */
final readonly class HearOthers
{
    private const MOST = 40;

    private const SECONDS = 60.0;

    private const ITEM = 'answer';

    public function __construct(private LeadFinder $finder)
    {
    }

    /** @return string what went wrong, in words; empty where nothing did */
    public function execute(Scouting $scouting, Families $families): string
    {
        if (! $this->finder instanceof OutsideLeads) {
            return '';
        }
        $question = (new Scout($families))->question($scouting->question);
        $item = new AskedItem(self::ITEM, $scouting->question, ItemType::Text);
        $papers = $scouting->papers()->whereNull('thrown_out_at')->orderByDesc('score')->limit(self::MOST)->get();
        $deadline = microtime(true) + self::SECONDS;
        foreach (PaperText::of($scouting->review_id, $papers) as $id => $text) {
            if (microtime(true) > $deadline) {
                return "{$this->finder->name} was asked about some of the papers only: it takes long.";
            }
            $passages = Passages::of($text->paper);
            try {
                $told = $this->finder->told([$item], $passages)[self::ITEM] ?? null;
            } catch (SourceFailed $failed) {
                return $failed->getMessage();
            }
            $answer = $told === null ? null : ToldAnswer::of($question, $passages, $told['quote']);
            if ($answer !== null) {
                $this->believe($papers->firstOrFail('id', $id), $answer, $text->isWhole);
            }
        }

        return '';
    }

    private function believe(ScoutedPaper $paper, ToldAnswer $answer, bool $isWhole): void
    {
        $name = $this->finder instanceof OutsideLeads ? $this->finder->name : '';
        if ($paper->sentence === $answer->sentence || $paper->confidence === Confidence::Firm) {
            self::confirm($paper, $answer, $name);

            return;
        }
        $paper->update([
            'sentence' => $answer->sentence,
            'page' => $isWhole ? $answer->page : null,
            'direction' => $answer->direction,
            'confidence' => $answer->confidence,
            'reason' => "{$name} points to this sentence; {$paper->reason}",
        ]);
    }

    private static function confirm(ScoutedPaper $paper, ToldAnswer $answer, string $name): void
    {
        $isSame = $paper->sentence === $answer->sentence;
        $isSurer = $isSame && $paper->confidence === Confidence::Check;
        $paper->update([
            'reason' => "{$paper->reason}; {$name} points to ".($isSame ? 'this sentence too' : 'another sentence'),
            'confidence' => $isSurer ? $answer->confidence : $paper->confidence,
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Scouting;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\StartLeads;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\CodebookItem;
use App\Models\FurtherQuestion;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Asked\PlainItem;

/**
 * Asks the studies of the review what was asked of scouted papers: as an item of the codebook, and with leads to its
 * answers from what is included. What is found waits for people there as every lead does.
 */
final readonly class IntoCodebook
{
    public function __construct(
        private ChangeCodebook $change,
        private StartLeads $leads,
        private WriteLog $log,
    ) {
    }

    /**
     * Reads for an item that the question already is.
     *
     * @throws Refused If nothing is included, papers are being read, or the item is no longer asked.
     */
    public function leads(User $by, FurtherQuestion $question): Task
    {
        return $this->leads->execute($by, $question->scouting->review, self::item($question));
    }

    /** Makes an item of a question that is none; one that is, stays. */
    public function add(User $by, FurtherQuestion $question): CodebookItem
    {
        return DB::transaction(function () use ($by, $question): CodebookItem {
            $question = $question->locked();
            if ($question->code_id !== null) {
                return self::item($question);
            }
            $isNumber = PlainItem::type($question->label) === ItemType::Number;
            $label = Str::limit($question->label, 117);
            $item = $this->change->add($by, $question->scouting->review, new Entry(
                $label,
                $label,
                new Code($isNumber ? CodeType::Number : CodeType::Text),
                $label === $question->label ? '' : $question->label,
            ));
            $question->update(['code_id' => $item->id]);
            $words = "Took into the codebook what was asked further: {$question->label}";
            ($this->log)($question->review_id, $by, 'scouting.further', $words, $question->scouting);

            return $item;
        });
    }

    private static function item(FurtherQuestion $question): CodebookItem
    {
        return $question->scouting->review->codes()->whereNull('retired_at')->find($question->code_id)
            ?? throw new Refused('This is no longer asked in the codebook.');
    }
}

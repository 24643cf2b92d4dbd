<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Models\Draft;
use App\Models\DraftItem;
use App\Models\ScoutedPaper;
use App\Queries\Drafting\DraftRecords;
use App\Queries\Scouting\PaperText;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadFinder;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Drafting\ProposedItems;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Scout;

/** Proposes what to ask of the papers that meet a draft's criteria, and looks for it in the likeliest of them. */
final readonly class AskPapers
{
    private const TOGETHER = 10;

    public function __construct(private LeadFinder $finder)
    {
    }

    public function propose(Draft $draft, Families $families): void
    {
        $draft->whileLocked(function () use ($draft, $families): void {
            if ($draft->items()->whereNull('changed_by')->exists()) {
                return;
            }
            $kind = (new Scout($families))->question($draft->scouting->question)->kind;
            foreach (ProposedItems::of($kind) as $i => $one) {
                $draft->items()->create([
                    'review_id' => $draft->review_id,
                    'position' => $i + 1,
                    'name' => $one->name,
                    'label' => $one->label,
                    'type' => $one->type,
                    'instructions' => $one->instructions,
                    'options' => $one->options,
                    'unit' => $one->unit,
                    'synonyms' => $one->synonyms,
                ]);
            }
        });
    }

    /** Chooses those that are read closely, and the copy of each that there is. */
    public function choose(Draft $draft): void
    {
        $chosen = array_slice(DraftRecords::in($draft), 0, $draft->depth_in_full);
        $papers = ScoutedPaper::query()->where('review_id', $draft->review_id)->whereIn('id', $chosen)->get();
        $copies = PaperText::copies($draft->review_id, $papers);
        $rows = $papers->mapWithKeys(fn (ScoutedPaper $one): array => [$one->id => $copies[$one->publication_id ?? ''] ?? null])->all();
        // one that is no longer chosen keeps the copy in which it was read
        DB::update(
            <<<'SQL'
            UPDATE draft_papers p SET in_full = c.paper IS NOT NULL,
                full_text_id = CASE WHEN c.paper IS NULL THEN p.full_text_id ELSE c.copy END
            FROM draft_papers q LEFT JOIN jsonb_each_text(?::jsonb) AS c (paper, copy) ON c.paper = q.scouted_paper_id::text
            WHERE q.review_id = ? AND q.draft_id = ? AND p.review_id = q.review_id AND p.draft_id = q.draft_id
                AND p.scouted_paper_id = q.scouted_paper_id
            SQL,
            [json_encode((object) $rows, JSON_THROW_ON_ERROR), $draft->review_id, $draft->id],
        );
    }

    /** @return bool whether papers are left that have not been read for every item */
    public function read(Draft $draft): bool
    {
        $items = $draft->items()->where('is_on', true)->get();
        $papers = $this->unread($draft, $items);
        foreach (PaperText::of($draft->review_id, $papers) as $id => $text) {
            $paper = $papers->firstOrFail('id', $id);
            $this->keep($paper, $items, [$this->leads($items, Passages::of($text->paper)), $text->isWhole]);
        }

        return $papers->isNotEmpty();
    }

    /**
     * @param  Collection<int, DraftItem>  $items
     * @return array<string, Lead> by item
     */
    private function leads(Collection $items, Passages $text): array
    {
        $asked = [];
        foreach ($items as $item) {
            $proposed = $item->proposed()->asked();
            // readers know an item by its name; two that people added may have the same
            $name = isset($asked[$proposed->id]) ? "{$proposed->id} {$item->position}" : $proposed->id;
            $asked[$name] = [$item->id, new AskedItem(
                $name,
                $proposed->label,
                $proposed->type,
                $proposed->options,
                $proposed->unit,
                $proposed->briefing,
            )];
        }
        $leads = [];
        foreach ($this->finder->leads(array_column($asked, 1), $text) as $name => $lead) {
            $leads[$asked[$name][0]] = $lead;
        }

        return $leads;
    }

    /**
     * @param  Collection<int, DraftItem>  $items
     * @return Collection<int, ScoutedPaper> chosen, without a lead of some item from the copy that there is
     */
    private function unread(Draft $draft, Collection $items): Collection
    {
        return DraftRecords::query($draft)
            ->where('in_full', true)
            ->whereRaw(
                '(SELECT count(*) FROM draft_leads l WHERE l.review_id = draft_papers.review_id AND l.scouted_paper_id = '.
                    'draft_papers.scouted_paper_id AND l.full_text_id IS NOT DISTINCT FROM draft_papers.full_text_id '.
                    'AND l.draft_item_id = ANY (?)) < ?',
                ['{'.$items->pluck('id')->implode(',').'}', $items->count()],
            )
            ->limit(self::TOGETHER)
            ->get();
    }

    /**
     * @param  Collection<int, DraftItem>  $items
     * @param  array{array<string, Lead>, bool}  $found  leads by item, and whether the whole was read
     */
    private function keep(ScoutedPaper $paper, Collection $items, array $found): void
    {
        [$leads, $isWhole] = $found;
        $rows = $items->map(function (DraftItem $item) use ($leads, $isWhole, $paper): array {
            $lead = $leads[$item->id] ?? null;

            return [
                'review_id' => $item->review_id,
                'draft_item_id' => $item->id,
                'scouted_paper_id' => $paper->id,
                'value' => $lead === null ? '' : $lead->value,
                'unit' => mb_substr($lead === null ? '' : $lead->unit, 0, 60),
                'quote' => $lead === null ? '' : $lead->quote,
                'page' => $isWhole ? $lead?->page : null,
                'full_text_id' => $paper->getAttribute('read_copy'),
                'confidence' => ($lead?->confidence() ?? Confidence::Check)->value,
                'reason' => $lead === null ? ($isWhole ? 'looked for in the whole paper' : 'not said in the abstract') : $lead->reason,
            ];
        })->all();
        DB::table('draft_leads')->upsert(
            $rows,
            ['review_id', 'draft_item_id', 'scouted_paper_id'],
            ['value', 'unit', 'quote', 'page', 'full_text_id', 'confidence', 'reason'],
        );
    }
}

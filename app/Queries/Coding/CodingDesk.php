<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use App\Queries\Coding\Desk\DeskSheet;
use App\Queries\Coding\Desk\ReadableCopy;
use App\Queries\Coding\Desk\ShownAnswer;
use App\Queries\Coding\Desk\ShownLead;
use App\Queries\Coding\Desk\SlotAtHand;
use App\Queries\Coding\Desk\SlotItem;
use App\Queries\Coding\Desk\StandingItem;
use App\Queries\FullTexts\PlacedWords;
use App\Queries\FullTexts\Retrievals;
use WaryHeron\Core\Coding\Evidence;

/** What the Coding Desk needs of one study: items with what stands in them, leads, and the copies to read. */
final readonly class CodingDesk
{
    public function __construct(private Review $review, private Publication $publication)
    {
    }

    public function data(User $user): DeskSheet
    {
        $study = StudyCoding::of($this->review, $this->publication, $user);
        $standings = $study->standings();
        $view = EvidenceView::of($this->review, $this->publication);
        $item = fn (AnswerSlot $slot): StandingItem => new StandingItem(
            SlotItem::of($slot, $this->publication),
            $standings[$slot->key()],
            ShownAnswer::of($study->answers[$slot->key()] ?? null, $slot->code->code(), $view),
        );

        return new DeskSheet(array_map($item, $study->slots), $this->leads($study, $view), $this->copies());
    }

    /** @return list<SlotAtHand> of the study, or of each of its parts */
    public function of(User $user, CodebookItem $code): array
    {
        $study = StudyCoding::of($this->review, $this->publication, $user);
        $view = EvidenceView::of($this->review, $this->publication);
        $leads = array_column($this->leads($study, $view), null, 'slot');
        $slots = array_filter($study->slots, fn (AnswerSlot $one): bool => $one->code->id === $code->id);

        return array_values(array_map(fn (AnswerSlot $slot): SlotAtHand => new SlotAtHand(
            SlotItem::of($slot, $this->publication),
            ShownAnswer::of($study->answers[$slot->key()] ?? null, $code->code(), $view),
            $leads[$slot->key()] ?? null,
        ), $slots));
    }

    /** @return list<ShownLead> with the places of their words */
    private function leads(StudyCoding $study, EvidenceView $view): array
    {
        $slots = [];
        foreach ($study->slots as $slot) {
            $slots[$slot->key()] = $slot;
        }
        $leads = array_intersect_key($study->leads, $slots);
        $pieces = PlacedWords::of(
            $this->review->id,
            array_values(array_map(fn (CodingLead $lead): Evidence => $lead->evidence(), $leads)),
        );

        return array_map(
            fn (string $slot, CodingLead $lead, Evidence $piece): ShownLead => ShownLead::of(
                $slots[$slot],
                $lead,
                $lead->quote === '' ? null : $view->shown($piece),
            ),
            array_keys($leads),
            array_values($leads),
            $pieces,
        );
    }

    /** @return list<ReadableCopy> of the publication, then of other reports of its study */
    private function copies(): array
    {
        $others = $this->otherReports();
        $found = Retrievals::copies($this->review, [$this->publication->id, ...array_keys($others)]);
        $copies = [];
        foreach ([$this->publication, ...array_values($others)] as $report) {
            foreach ($found[$report->id] ?? [] as $copy) {
                $copies[] = new ReadableCopy(
                    $copy->id,
                    $copy->name,
                    $copy->pages,
                    $copy->url,
                    route('coding.paper', [$this->review, $copy->id], false),
                    $report->called().($copy->better === null ? '' : ', older copy'),
                );
            }
        }

        return $copies;
    }

    /** @return array<string, Publication> of the same study */
    private function otherReports(): array
    {
        if ($this->publication->study_id === null) {
            return [];
        }

        return Publication::query()
            ->where('review_id', $this->review->id)
            ->where('study_id', $this->publication->study_id)
            ->whereNull('merged_into')
            ->whereKeyNot($this->publication->id)
            ->orderBy('year')
            ->orderBy('id')
            ->get(['id', 'title', 'authors', 'year'])
            ->keyBy('id')
            ->all();
    }
}

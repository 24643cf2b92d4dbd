<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use App\Queries\FullTexts\PlacedWords;
use App\Queries\FullTexts\Retrievals;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Evidence;

/** What the Coding Desk needs of one study: items with what stands in them, leads, and the copies to read. */
final readonly class CodingDesk
{
    public function __construct(private Review $review, private Publication $publication)
    {
    }

    /** @return array<string, mixed> */
    public function data(User $user): array
    {
        $study = StudyCoding::of($this->review, $this->publication, $user);
        $standings = $study->standings();
        $view = EvidenceView::of($this->review, $this->publication);

        return [
            'items' => array_map(
                fn (AnswerSlot $slot): array => [
                    ...$this->item($slot),
                    'standing' => $standings[$slot->key()],
                    'answer' => self::answer($study->answers[$slot->key()] ?? null, $slot->code->code(), $view),
                ],
                $study->slots,
            ),
            'leads' => $this->leads($study, $view),
            'copies' => $this->copies(),
        ];
    }

    /** @return list<array{item: array<string, mixed>, answer: array<string, mixed>, lead: ?array<string, mixed>}> of the study, or of each of its parts */
    public function of(User $user, CodebookItem $code): array
    {
        $study = StudyCoding::of($this->review, $this->publication, $user);
        $view = EvidenceView::of($this->review, $this->publication);
        $leads = array_column($this->leads($study, $view), null, 'slot');
        $slots = array_filter($study->slots, fn (AnswerSlot $one): bool => $one->code->id === $code->id);

        return array_values(array_map(fn (AnswerSlot $slot): array => [
            'item' => $this->item($slot),
            'answer' => self::answer($study->answers[$slot->key()] ?? null, $code->code(), $view),
            'lead' => $leads[$slot->key()] ?? null,
        ], $slots));
    }

    /** @return array<string, mixed> */
    private function item(AnswerSlot $slot): array
    {
        $code = $slot->code;
        $to = array_filter([$this->review->id, $this->publication->id, $code->id, 'part' => $slot->part?->id]);

        return [
            'id' => $slot->key(),
            'part' => $slot->part->name ?? '',
            'per' => $code->per,
            'section' => $code->section,
            'pass' => $code->pass->value,
            'label' => $code->label,
            'guidance' => $code->guidance,
            'examples' => $code->examples,
            'type' => $code->type->value,
            'unit' => $code->unit,
            'required' => $code->required,
            'options' => array_map(self::option(...), $code->code()->choosable()),
            'url' => route('coding.answer', $to, false),
            'leadUrl' => route('leads.rule', $to, false),
        ];
    }

    /** @return array{value: string, label: string, depth: int} */
    private static function option(string $option): array
    {
        $parts = explode(Code::NARROWER, $option);

        return ['value' => $option, 'label' => $parts[count($parts) - 1], 'depth' => count($parts) - 1];
    }

    /** @return array<string, mixed> an empty one where there is none */
    public static function answer(?Answer $answer, Code $code, EvidenceView $view): array
    {
        return [
            'id' => $answer->id ?? '',
            'kind' => ($answer?->kind)->value ?? 'value',
            'value' => $answer?->value,
            'shown' => $answer?->shown($code) ?? '',
            'note' => $answer->note ?? '',
            'evidence' => array_map($view->shown(...), $answer?->pieces() ?? []),
            'fromWhole' => $answer->from_whole ?? false,
            'by' => $answer?->user->name ?? '',
        ];
    }

    /** @return list<array<string, mixed>> with the places of their words */
    private function leads(StudyCoding $study, EvidenceView $view): array
    {
        $slots = [];
        foreach ($study->slots as $slot) {
            $slots[$slot->key()] = $slot;
        }
        $leads = array_intersect_key($study->leads, $slots);
        $codes = array_map(fn (string $key) => $slots[$key]->code->code(), array_keys($leads));
        $pieces = PlacedWords::of(
            $this->review->id,
            array_values(array_map(fn (CodingLead $lead): Evidence => $lead->evidence(), $leads)),
        );

        return array_map(
            fn (string $slot, CodingLead $lead, Code $code, Evidence $piece): array => [
                'slot' => $slot,
                'evidence' => $lead->quote === '' ? null : $view->shown($piece),
                ...self::lead($lead, $code),
            ],
            array_keys($leads),
            array_values($leads),
            $codes,
            $pieces,
        );
    }

    /** @return array<string, mixed> */
    private static function lead(CodingLead $lead, Code $code): array
    {
        return [
            'kind' => $lead->kind->value,
            'value' => $lead->value,
            'shown' => $lead->shown($code),
            'confidence' => $lead->confidence->value,
            'reason' => $lead->reason,
        ];
    }

    /** @return list<array<string, mixed>> of the publication, then of other reports of its study */
    private function copies(): array
    {
        $others = $this->otherReports();
        $found = Retrievals::copies($this->review, [$this->publication->id, ...array_keys($others)]);
        $copies = [];
        foreach ([$this->publication, ...array_values($others)] as $report) {
            foreach ($found[$report->id] ?? [] as $copy) {
                $copies[] = [
                    'id' => $copy->id,
                    'name' => $copy->name,
                    'pages' => $copy->pages,
                    'url' => $copy->url,
                    'paper' => route('coding.paper', [$this->review, $copy->id], false),
                    'report' => $report->called().($copy->better === null ? '' : ', older copy'),
                ];
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

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
            'items' => array_values(
                $study->codes
                    ->map(fn (CodebookItem $code): array => [
                        ...$this->item($code),
                        'standing' => $standings[$code->id],
                        'answer' => self::answer($study->answers[$code->id] ?? null, $code->code(), $view),
                    ])
                    ->all(),
            ),
            'leads' => $this->leads($study, $view),
            'copies' => $this->copies(),
        ];
    }

    /** @return array{item: array<string, mixed>, answer: array<string, mixed>, lead: ?array<string, mixed>} */
    public function one(User $user, CodebookItem $code): array
    {
        $study = StudyCoding::of($this->review, $this->publication, $user);
        $view = EvidenceView::of($this->review, $this->publication);
        $leads = array_column($this->leads($study, $view), null, 'code');

        return [
            'item' => $this->item($code),
            'answer' => self::answer($study->answers[$code->id] ?? null, $code->code(), $view),
            'lead' => $leads[$code->id] ?? null,
        ];
    }

    /** @return array<string, mixed> */
    private function item(CodebookItem $code): array
    {
        return [
            'id' => $code->id,
            'section' => $code->section,
            'pass' => $code->pass->value,
            'label' => $code->label,
            'guidance' => $code->guidance,
            'examples' => $code->examples,
            'type' => $code->type->value,
            'unit' => $code->unit,
            'required' => $code->required,
            'options' => array_map(self::option(...), $code->code()->choosable()),
            'url' => route('coding.answer', [$this->review, $this->publication, $code], false),
            'leadUrl' => route('leads.rule', [$this->review, $this->publication, $code], false),
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
        $codes = $study->codes->keyBy('id');
        $leads = array_values(array_filter($study->leads, fn (CodingLead $one): bool => $codes->has($one->code_id)));
        $pieces = PlacedWords::of(
            $this->review->id,
            array_map(fn (CodingLead $lead): Evidence => $lead->evidence(), $leads),
        );

        return array_map(
            fn (CodingLead $lead, Evidence $piece): array => [
                'code' => $lead->code_id,
                'kind' => $lead->kind->value,
                'value' => $lead->value,
                'shown' => $lead->shown($codes->firstOrFail('id', $lead->code_id)->code()),
                'evidence' => $lead->quote === '' ? null : $view->shown($piece),
                'confidence' => $lead->confidence->value,
                'reason' => $lead->reason,
            ],
            $leads,
            $pieces,
        );
    }

    /** @return list<array<string, mixed>> of the publication, then of other reports of its study */
    private function copies(): array
    {
        $others = $this->publication->study_id === null
            ? []
            : Publication::query()
                ->where('review_id', $this->review->id)
                ->where('study_id', $this->publication->study_id)
                ->whereNull('merged_into')
                ->whereKeyNot($this->publication->id)
                ->orderBy('year')
                ->orderBy('id')
                ->get(['id', 'title', 'authors', 'year'])
                ->keyBy('id')
                ->all();
        $found = Retrievals::copies($this->review, [$this->publication->id, ...array_keys($others)]);
        $copies = [];
        foreach ([$this->publication, ...array_values($others)] as $report) {
            foreach ($found[$report->id] ?? [] as $copy) {
                $copies[] = [
                    'id' => $copy['id'],
                    'name' => $copy['name'],
                    'pages' => $copy['pages'],
                    'url' => $copy['url'],
                    'paper' => route('coding.paper', [$this->review, $copy['id']], false),
                    'report' => $report->called().($copy['better'] === null ? '' : ', older copy'),
                ];
            }
        }

        return $copies;
    }
}

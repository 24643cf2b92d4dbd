<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SaveAnswer;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\CodebookItem;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\Leads;
use App\Queries\FullTexts\Retrievals;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\InvalidAnswer;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Text\StructuredAbstract;

final class CodingController extends Controller
{
    public function index(Review $review): View
    {
        return view('coding.table', [
            'review' => $review,
            'table' => CodingTable::of($review),
            'leads' => Leads::waiting($review),
            'record' => Leads::record($review),
        ]);
    }

    public function codebook(Review $review): View
    {
        return view('coding.codebook', [
            'review' => $review,
            'codes' => $review->codes()->whereNull('retired_at')->get(),
            'retired' => $review->codes()->whereNotNull('retired_at')->get(),
        ]);
    }

    public function addCode(Request $request, Review $review, ChangeCodebook $change): RedirectResponse
    {
        $change->add($this->me($request), $review, $this->codeValues($request));

        return redirect()->route('codebook', $review)->with('notice', 'Added to the codebook.');
    }

    public function changeCode(
        Request $request,
        Review $review,
        CodebookItem $code,
        ChangeCodebook $change,
    ): RedirectResponse {
        Input::text($request, 'do') === 'retire'
            ? $change->retire($this->me($request), $review, $code)
            : $change->change($this->me($request), $review, $code, $this->codeValues($request));

        return redirect()->route('codebook', $review)->with('notice', 'The codebook is changed.');
    }

    public function show(Review $review, Publication $publication): View
    {
        $table = CodingTable::of($review);
        $at = $table->publications->search(fn ($p): bool => $p->id === $publication->id);
        $item = Item::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('stage_id', $review->lastStage()->id)
            ->first();

        return view('coding.show', [
            'review' => $review,
            'publication' => $publication,
            'table' => $table,
            'abstract' => StructuredAbstract::parts($publication->abstract),
            'answers' => collect($table->answers[$publication->id] ?? [])
                ->each(fn ($answer) => $answer->load('user'))
                ->all(),
            'leads' => Leads::waitingFor($review, $publication->id),
            'copies' => Retrievals::copies($review, [$publication->id])[$publication->id] ?? [],
            'included' => $item?->state === ItemState::Included,
            'next' => $at === false ? null : $table->publications[$at + 1] ?? null,
            'previous' => $at === false ? null : $table->publications[$at - 1] ?? null,
        ]);
    }

    public function answer(
        Request $request,
        Review $review,
        Publication $publication,
        CodebookItem $code,
        SaveAnswer $save,
    ): JsonResponse {
        // the two belong to the review, not to each other, so the route cannot check it
        abort_unless($publication->review_id === $review->id && $code->review_id === $review->id, 404);
        $given = $request->validate([
            'value' => ['nullable'],
            'value.*' => ['string', 'max:400'],
            'quote' => ['nullable', 'string', 'max:4000'],
            'place' => ['nullable', 'string', 'max:120'],
            'seen' => ['nullable', 'string', 'max:26'],
        ]);
        try {
            $answer = $save->execute(
                $this->me($request),
                $publication,
                $code,
                $given['value'] ?? null,
                trim($given['quote'] ?? ''),
                trim($given['place'] ?? ''),
                $request->has('seen') ? $given['seen'] ?? '' : null,
            );
        } catch (InvalidAnswer $invalid) {
            return response()->json(['message' => $invalid->getMessage()], 422);
        }

        return response()->json([
            'id' => $answer->id ?? '',
            'value' => $answer?->value,
            'shown' => $answer === null ? '' : (new Code($code->type, $code->options, $code->unit))->show($answer->value),
            'by' => $answer === null ? '' : $answer->user->name,
        ]);
    }

    /** @return array{label: string, guidance: string, type: CodeType, options: list<string>, unit: string} */
    private function codeValues(Request $request): array
    {
        $given = $request->validate(
            [
                'label' => ['required', 'string', 'max:120'],
                'guidance' => ['nullable', 'string', 'max:1000'],
                'type' => ['required', Rule::enum(CodeType::class)],
                'options' => ['nullable', 'string', 'max:4000', 'required_if:type,choice,choices'],
                'unit' => ['nullable', 'string', 'max:40'],
            ],
            ['options.required_if' => 'Give the options to choose from, one on each line.'],
        );
        $type = CodeType::from($given['type']);
        $options = array_values(
            array_unique(
                array_filter(
                    array_map(trim(...), preg_split('/\R/u', $given['options'] ?? '') ?: []),
                    fn (string $o): bool => $o !== '',
                ),
            ),
        );

        return [
            'label' => $given['label'],
            'guidance' => $given['guidance'] ?? '',
            'type' => $type,
            'options' => $type->hasOptions() ? $options : [],
            'unit' => $type === CodeType::Number ? $given['unit'] ?? '' : '',
        ];
    }
}

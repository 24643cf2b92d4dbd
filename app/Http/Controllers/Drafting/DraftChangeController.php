<?php

declare(strict_types=1);

namespace App\Http\Controllers\Drafting;

use App\Actions\Drafting\ChangeDraft;
use App\Actions\FullTexts\AddFullText;
use App\Actions\Shared\Refused;
use App\Http\Controllers\Controller;
use App\Models\Draft;
use App\Models\DraftCriterion;
use App\Models\DraftItem;
use App\Models\Review;
use App\Models\ScoutedPaper;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Drafting\CriterionKind;
use WaryHeron\Core\Screening\CriterionAnswer;

/** What people change in a draft; what follows from it is worked out again in the background. */
final class DraftChangeController extends Controller
{
    private const STEP = 10;

    private const PDF = [
        'file.required' => 'Choose a PDF first.',
        'file.*' => 'The file did not arrive. A PDF may have 100 MB at most.',
    ];

    public function __construct(private readonly ChangeDraft $change)
    {
    }

    public function addCriterion(Request $request, Review $review, Draft $draft): RedirectResponse
    {
        $given = $request->validate([
            'kind' => ['required', Rule::in(array_column(CriterionKind::cases(), 'value'))],
            'words' => ['required', 'string', 'max:300'],
        ]);
        $this->change->addCriterion(
            $this->me($request),
            $draft,
            CriterionKind::from($given['kind']),
            self::line($given['words']),
        );

        return $this->back($review, $draft, 'criteria');
    }

    public function criterion(
        Request $request,
        Review $review,
        Draft $draft,
        DraftCriterion $draftCriterion,
    ): RedirectResponse {
        $given = $request->validate(['words' => ['nullable', 'string', 'max:300'], 'on' => ['nullable', 'boolean']]);
        $words = self::line($given['words'] ?? '');
        if ($words !== '') {
            $this->change->reword($this->me($request), $draftCriterion, $words);
        }
        if (isset($given['on'])) {
            $this->change->switchCriterion($this->me($request), $draftCriterion, (bool) $given['on']);
        }

        return $this->back($review, $draft, 'criteria');
    }

    /** What a person answers instead of the machine; nothing takes it back. */
    public function answer(
        Request $request,
        Review $review,
        Draft $draft,
        DraftCriterion $draftCriterion,
        string $paper,
    ): RedirectResponse {
        $given = $request->validate(
            ['answer' => ['nullable', Rule::in(array_column(CriterionAnswer::cases(), 'value'))]],
        );
        $answer = CriterionAnswer::tryFrom($given['answer'] ?? '');
        $this->change->overrule($this->me($request), $draftCriterion, $paper, $answer);

        return redirect()->to(url()->previous().'#paper-'.$paper);
    }

    public function paper(Request $request, Review $review, Draft $draft, string $paper): RedirectResponse
    {
        $given = $request->validate(['ruling' => ['nullable', 'in:in,out']]);
        $this->change->rule($this->me($request), $draft, $paper, $given['ruling'] ?? null);

        return redirect()->to(url()->previous().'#paper-'.$paper);
    }

    /** The PDF of a paper: kept as its full text, which the draft reads as soon as it is read. */
    public function pdf(
        Request $request,
        Review $review,
        Draft $draft,
        ScoutedPaper $paper,
        AddFullText $add,
    ): RedirectResponse {
        abort_unless($paper->review_id === $review->id && $paper->scouting_id === $draft->scouting_id, 404);
        $rules = ['file' => ['required', 'file', 'max:'.intdiv(AddFullText::LARGEST, 1024)]];
        $file = $request->validate($rules, self::PDF)['file'];
        $publication = $paper->publication ?? throw new Refused(
            'This paper is not in the library yet. Take it over, then add its PDF.',
        );
        $name = $file->getClientOriginalName();
        $add->execute($this->me($request), $review, $file->getRealPath(), $name, $publication);
        $said = "“{$name}” is kept as its full text. It is read now; then the draft is made again with it.";

        return redirect()->to(url()->previous().'#paper-'.$paper->id)->with('notice', $said);
    }

    public function deepen(Request $request, Review $review, Draft $draft): RedirectResponse
    {
        $given = $request->validate(['what' => ['required', 'in:abstracts,texts,again']]);
        match ($given['what']) {
            'abstracts' => $this->change->deepen($this->me($request), $draft, self::STEP, 0),
            'texts' => $this->change->deepen($this->me($request), $draft, 0, self::STEP),
            default => $this->change->again($this->me($request), $draft),
        };

        return $this->back($review, $draft, 'papers');
    }

    public function addItem(Request $request, Review $review, Draft $draft): RedirectResponse
    {
        $given = $request->validate(['label' => ['required', 'string', 'min:3', 'max:300']]);
        $this->change->addItem($this->me($request), $draft, self::line($given['label']));

        return $this->back($review, $draft, 'items');
    }

    public function item(Request $request, Review $review, Draft $draft, DraftItem $draftItem): RedirectResponse
    {
        $given = $request->validate(['on' => ['required', 'boolean']]);
        $this->change->switchItem($this->me($request), $draftItem, (bool) $given['on']);

        return $this->back($review, $draft, 'items');
    }

    private static function line(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', mb_scrub($text)));
    }

    private function back(Review $review, Draft $draft, string $step): RedirectResponse
    {
        return redirect()->route('drafts.show', [$review, $draft, 'step' => $step]);
    }
}

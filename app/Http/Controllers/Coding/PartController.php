<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\ChangeParts;
use App\Http\Controllers\Controller;
use App\Models\Arm;
use App\Models\Publication;
use App\Models\Review;
use App\Models\StudyPart;
use App\Queries\Coding\StudyParts;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** The arms, sites and other parts of one study, as coders name them. */
final class PartController extends Controller
{
    public function store(Request $request, Review $review, Publication $publication, ChangeParts $change): RedirectResponse
    {
        $given = $request->validate(['kind' => ['required', Rule::in(StudyParts::kinds($review))], ...self::rules($review)]);
        $part = $change->name($this->me($request), $publication, $given['kind'], trim($given['name']), self::arm($given));

        return $this->back($review, $publication, "“{$part->name}” is named. Its items stand in the list.");
    }

    public function update(Request $request, Review $review, Publication $publication, StudyPart $part, ChangeParts $change): RedirectResponse
    {
        $this->ofStudy($review, $publication, $part);
        $given = $request->validate(self::rules($review));
        $change->change($this->me($request), $publication, $part, trim($given['name']), self::arm($given));

        return $this->back($review, $publication, "It is called “{$part->name}” now.");
    }

    public function move(Request $request, Review $review, Publication $publication, StudyPart $part, ChangeParts $change): RedirectResponse
    {
        $this->ofStudy($review, $publication, $part);
        $given = $request->validate(['do' => ['required', 'in:out,back']]);
        $given['do'] === 'out'
            ? $change->takeOut($this->me($request), $publication, $part)
            : $change->putBack($this->me($request), $publication, $part);

        return $this->back(
            $review,
            $publication,
            $given['do'] === 'out'
                ? "“{$part->name}” is taken out. Its answers are kept; putting it back brings them back."
                : "“{$part->name}” is back, with its answers.",
        );
    }

    /** Each is looked up by itself, so that the route checks none of this. */
    private function ofStudy(Review $review, Publication $publication, StudyPart $part): void
    {
        abort_unless($publication->review_id === $review->id, 404);
        abort_unless($part->review_id === $review->id && $part->publication_id === $publication->id, 404);
    }

    private function back(Review $review, Publication $publication, string $notice): RedirectResponse
    {
        return redirect()->route('coding.show', [$review, $publication])->with('notice', $notice);
    }

    /** @return array<string, list<string|object>> */
    private static function rules(Review $review): array
    {
        return [
            'name' => ['required', 'string', 'max:200'],
            'arm' => ['nullable', 'string', Rule::exists('arms', 'id')->where('review_id', $review->id)],
        ];
    }

    /** @param  array<string, mixed>  $given */
    private static function arm(array $given): ?Arm
    {
        return isset($given['arm']) ? Arm::query()->whereKey($given['arm'])->sole() : null;
    }
}

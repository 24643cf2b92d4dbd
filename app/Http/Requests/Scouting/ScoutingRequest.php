<?php

declare(strict_types=1);

namespace App\Http\Requests\Scouting;

use App\Http\Input;
use App\Models\Scouting;
use App\Queries\Scouting\ScoutingTerms;
use Illuminate\Foundation\Http\FormRequest;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Reading\StudyKind;

/** Which papers of a question are to be shown; what an address says wrongly is as if it were not there. */
final class ScoutingRequest extends FormRequest
{
    private const MOST_SHOWN = 300;

    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [];
    }

    public function terms(Scouting $scouting): ScoutingTerms
    {
        $by = Input::text($this, 'by');
        $isQuestion = $by !== '' && $scouting->furtherQuestions()->whereKey($by)->exists();

        return new ScoutingTerms(
            Input::whole($this, 'shown', ScoutingTerms::STEP, self::MOST_SHOWN),
            Direction::tryFrom(Input::text($this, 'direction')),
            Input::text($this, 'kind') === '' ? null : StudyKind::tryFrom(Input::text($this, 'kind')),
            $isQuestion || $by === 'newest' ? $by : '',
            $isQuestion ? mb_substr(Input::text($this, 'says'), 0, 200) : '',
        );
    }
}

<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Models\Criterion;
use App\Models\Publication;
use WaryHeron\Core\Screening\Verdict;

/** How the demo's reviewers judge a title and abstract: by its words, and each a little differently. */
final class Judgement
{
    /** @return array{Verdict, ?int, string} the criterion by its place */
    public static function of(Publication $publication, string $who): array
    {
        $text = mb_strtolower("{$publication->title} {$publication->abstract}");
        $draw = hexdec(substr(md5("{$publication->title}/{$who}"), 0, 4)) / 65535;
        $has = fn (string $pattern): bool => preg_match($pattern, $text) === 1;
        $failed = match (true) {
            ! $has(
                '/nurs|hospital staff|physician|resident|ambulance|pharmacist|midwi|doctor|laborator|theatre teams|health care/',
            ) => 0,
            ! $has('/light|lux|visor|illumin/') || $has('/newborn|infants|chicken|seedling/') => 1,
            $has(
                '/systematic review|umbrella review|scoping review|meta-analysis|what is known about|evidence so far|we searched|records were screened|this article|studies of .* were sought|protocol|will randomise|editorial|comment/',
            ) => 4,
            $has(
                '/interview|focus group|questionnaire|cross-sectional|survey|cohort|hazard ratio|register-based|prevalence|predictors|gave information at baseline/',
            ) => 2,
            ! $has('/alert|sleepi|reaction|vigilan|lapses|memory|error|near miss|drowsy|fatigue/') => 3,
            default => null,
        };
        if ($publication->abstract === '' && $draw < 0.5) {
            return [Verdict::Unsure, null, 'No abstract; the full text has to tell.'];
        }
        if ($failed === null) {
            return match (true) {
                $draw < 0.06 => [Verdict::Exclude, 2, 'I see no comparison here.'],
                $draw < 0.11 => [Verdict::Unsure, null, 'Was the light given on duty?'],
                default => [Verdict::Include, null, $draw > 0.93 ? 'Check the unit of analysis.' : ''],
            };
        }

        return match (true) {
            $draw < 0.035 => [Verdict::Include, null, 'Let us read the full text.'],
            $draw < 0.06 => [Verdict::Unsure, null, ''],
            default => [Verdict::Exclude, $failed, ''],
        };
    }

    /**
     * @param  \Illuminate\Database\Eloquent\Collection<int, Criterion>  $criteria
     * @return array<string, string>
     */
    public static function answers(
        \Illuminate\Database\Eloquent\Collection $criteria,
        Verdict $verdict,
        ?int $failed,
    ): array {
        $answers = [];
        foreach ($criteria as $i => $criterion) {
            if ($failed !== null && $i > $failed) {
                break;
            }
            $answers[$criterion->id] =
                $i === $failed ? 'no' : ($verdict === Verdict::Unsure && $i === 1 ? 'unclear' : 'yes');
        }

        return $answers;
    }
}

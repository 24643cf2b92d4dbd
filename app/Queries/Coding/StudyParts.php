<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Arm;
use App\Models\CodebookItem;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;
use App\Models\StudyPart;
use App\Queries\FullTexts\PaperPages;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\Parted\PartLeads;
use WaryHeron\Core\Coding\Lead\Passages;

/** The arms, sites and other parts of a study that items of the codebook are asked of one by one. */
final class StudyParts
{
    /** @return Collection<int, StudyPart> without those taken out */
    public static function of(Publication $publication): Collection
    {
        return StudyPart::of($publication)->whereNull('retired_at')->get();
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, string> names by part, of some studies, those taken out among them
     */
    public static function names(Review $review, array $publications): array
    {
        return DB::table('study_parts')
            ->where('review_id', $review->id)
            ->whereIn('publication_id', $publications)
            ->orderBy('position')
            ->orderBy('id')
            ->pluck('name', 'id')
            ->all();
    }

    /** @return list<string> what the codebook asks of parts: arm, site, and what else a team says */
    public static function kinds(Review $review): array
    {
        $kinds = $review->codes()->whereNull('retired_at')->where('per', '<>', '')->get()->pluck('per');

        return array_values($kinds->unique()->all());
    }

    /**
     * What the page for naming them shows.
     *
     * @return list<PartsOfKind>
     */
    public static function lists(Review $review, Publication $publication): array
    {
        $all = StudyPart::of($publication)->with('arm')->get();
        $kinds = array_unique([...self::kinds($review), ...$all->pluck('kind')->all()]);

        return array_values(array_map(fn (string $kind): PartsOfKind => new PartsOfKind(
            $kind,
            $all->filter(fn (StudyPart $one): bool => $one->kind === $kind && $one->retired_at === null),
            $all->filter(fn (StudyPart $one): bool => $one->kind === $kind && $one->retired_at !== null),
            $kind === StudyPart::ARM ? self::offered($publication, $all) : [],
        ), $kinds));
    }

    /**
     * Arms that tables of the paper name and nobody has named yet.
     *
     * @param  Collection<int, StudyPart>  $known
     * @return list<string>
     */
    private static function offered(Publication $publication, Collection $known): array
    {
        $copies = FullText::query()
            ->where('review_id', $publication->review_id)
            ->where('publication_id', $publication->id)
            ->whereNull('taken_out_at')
            ->orderBy('id')
            ->limit(3)
            ->pluck('id');
        foreach ($copies as $copy) {
            $names = PartLeads::offered(Passages::of(PaperPages::paper($publication->review_id, $copy)));
            if ($names !== []) {
                $there = array_map(mb_strtolower(...), $known->pluck('name')->all());

                return array_values(array_filter($names, fn (string $one): bool => ! in_array(mb_strtolower($one), $there, true)));
            }
        }

        return [];
    }

    /** @return Collection<int, Arm> groups that the review knows, for saying which one an arm is */
    public static function groups(Review $review): Collection
    {
        return Arm::query()->where('review_id', $review->id)->whereNull('retired_at')->orderBy('position')->get();
    }

    /**
     * The slots of an item in a study: itself where it is asked once; else each part; and whatever has an answer though
     * it would not be asked any more.
     *
     * @param  Collection<int, StudyPart>  $parts  those that are there
     * @param  list<?string>  $answered  parts that it has answers of, null for the study as a whole
     * @return list<AnswerSlot>
     */
    public static function slots(Publication $publication, CodebookItem $code, Collection $parts, array $answered): array
    {
        $asked = $parts->filter(
            fn (StudyPart $one): bool => ($code->per !== '' && $one->kind === $code->per) || in_array($one->id, $answered, true),
        );
        $isWhole = $asked->isEmpty() || $code->per === '' || in_array(null, $answered, true);

        return [
            ...($isWhole ? [new AnswerSlot($publication, $code)] : []),
            ...array_values($asked->map(fn (StudyPart $one): AnswerSlot => new AnswerSlot($publication, $code, $one))->all()),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Answer;
use App\Models\Arm;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\StudyPart;
use App\Models\User;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\LeadRuling;

/** Says what arms, sites or outcomes a study has. Coders share them: two code the same parts, each with answers of their own. */
final readonly class ChangeParts
{
    /** More than these are not arms of one study. */
    private const MOST = 40;

    public function __construct(private WriteLog $log)
    {
    }

    /** @throws Refused If there is one of this name, or the study is not coded with this report. */
    public function name(User $by, Publication $publication, string $kind, string $name, ?Arm $arm = null): StudyPart
    {
        return $this->coded($publication, function () use ($by, $publication, $kind, $name, $arm): StudyPart {
            self::refuseTwice($publication, $kind, $name);
            $there = StudyPart::of($publication)->where('kind', $kind);
            if ((clone $there)->count() >= self::MOST) {
                throw new Refused('A study has at most '.self::MOST.' of each.');
            }
            $part = StudyPart::query()->create([
                'review_id' => $publication->review_id,
                'publication_id' => $publication->id,
                'kind' => $kind,
                'position' => 1 + (int) $there->max('position'),
                'name' => $name,
                'arm_id' => $arm?->id,
            ]);
            $this->write($by, $publication, 'part.named', "Named the {$kind} “{$name}” of “{$publication->title}”");

            return $part;
        });
    }

    /** @throws Refused As above. */
    public function change(User $by, Publication $publication, StudyPart $part, string $name, ?Arm $arm): void
    {
        $this->coded($publication, function () use ($by, $publication, $part, $name, $arm): void {
            self::refuseTwice($publication, $part->kind, $name, $part);
            $before = $part->name;
            self::update($part, ['name' => $name, 'arm_id' => $arm?->id]);
            $this->write($by, $publication, 'part.changed', "Changed the {$part->kind} “{$before}” of “{$publication->title}” to “{$name}”");
        });
    }

    /** Its answers count no more, and are kept for when it is put back. */
    public function takeOut(User $by, Publication $publication, StudyPart $part): void
    {
        $this->coded($publication, function () use ($by, $publication, $part): void {
            $at = now();
            self::update($part, ['retired_at' => $at]);
            self::answers($part)->whereNull('superseded_at')->update(['superseded_at' => $at]);
            CodingLead::query()
                ->where('review_id', $part->review_id)
                ->where('part_id', $part->id)
                ->where('ruling', LeadRuling::Waiting)
                ->delete();
            $this->write($by, $publication, 'part.out', "Took the {$part->kind} “{$part->name}” out of “{$publication->title}”");
        });
    }

    /** With the answers that it had when it was taken out. */
    public function putBack(User $by, Publication $publication, StudyPart $part): void
    {
        $this->coded($publication, function () use ($by, $publication, $part): void {
            if ($part->retired_at === null) {
                return;
            }
            self::refuseTwice($publication, $part->kind, $part->name, $part);
            foreach (self::answers($part)->where('superseded_at', $part->retired_at)->orderBy('id')->get() as $answer) {
                $answer->replicate(['created_at', 'superseded_at'])->save();
            }
            self::update($part, ['retired_at' => null]);
            $this->write($by, $publication, 'part.back', "Put the {$part->kind} “{$part->name}” back into “{$publication->title}”");
        });
    }

    private static function refuseTwice(Publication $publication, string $kind, string $name, ?StudyPart $but = null): void
    {
        $same = StudyPart::of($publication)
            ->where('kind', $kind)
            ->whereNull('retired_at')
            ->whereRaw('lower(name) = lower(?)', [$name])
            ->when($but !== null, fn ($others) => $others->whereKeyNot($but?->id));
        if ($same->exists()) {
            throw new Refused("This study has the {$kind} “{$name}” already.");
        }
    }

    /** @param  array<string, mixed>  $values */
    private static function update(StudyPart $part, array $values): void
    {
        StudyPart::query()->where('review_id', $part->review_id)->whereKey($part->id)->update($values);
        $part->forceFill($values)->syncOriginal();
    }

    /** @return Builder<Answer> */
    private static function answers(StudyPart $part): Builder
    {
        return Answer::query()->where('review_id', $part->review_id)->where('part_id', $part->id);
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $do
     * @return T
     */
    private function coded(Publication $publication, Closure $do): mixed
    {
        return DB::transaction(function () use ($publication, $do): mixed {
            CodedPublications::carrying($publication);

            return $do();
        });
    }

    private function write(User $by, Publication $publication, string $action, string $did): void
    {
        ($this->log)($publication->review_id, $by, $action, $did, $publication);
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Report;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Report;
use App\Models\ReportClaim;
use App\Models\User;
use App\Queries\Report\Claims\ClaimEvidence;
use App\Queries\Report\Claims\HeldPiece;
use App\Queries\Report\Claims\PieceRef;
use Illuminate\Support\Facades\DB;

/**
 * Says what a claim of a report rests on, or that it is the authors' own: what is put to it and what is taken off, so that
 * two who do so at once take nothing from each other.
 */
final readonly class SetClaim
{
    /** So many pieces of evidence a claim may rest on. */
    public const MOST = 40;

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  list<PieceRef>  $adds  what is not there, or already with it, is left out
     * @param  list<PieceRef>  $takesOff  what stays is as it was when it was given
     * @param  ?bool  $own  null where that stays as it is
     *
     * @throws Refused If it would rest on more than a reader can follow.
     */
    public function execute(User $by, Report $report, string $id, array $adds, array $takesOff = [], ?bool $own = null): void
    {
        DB::transaction(function () use ($by, $report, $id, $adds, $takesOff, $own): void {
            $key = ['review_id' => $report->review_id, 'report_id' => $report->id, 'id' => $id];
            $isNew = ReportClaim::query()->insertOrIgnore(
                [...$key, 'evidence' => '[]', 'user_id' => $by->id, 'created_at' => now(), 'updated_at' => now()],
            ) === 1;
            $claim = ReportClaim::query()->where($key)->lockForUpdate()->firstOrFail();
            $kept = $this->kept($report, HeldPiece::of($claim), $adds, $takesOff);
            $own ??= $claim->own;
            if (! $isNew && $kept == HeldPiece::of($claim) && $own === $claim->own) {
                return;
            }
            $values = ['evidence' => json_encode($kept), 'own' => $own, 'user_id' => $by->id, 'updated_at' => now()];
            $claim->newQuery()->where($key)->update($values);
            ($this->log)($report->review_id, $by, 'claim.set', 'Said what a claim of the report rests on', null, [
                'claim' => $id,
                'own' => $own,
                'pieces' => count($kept),
            ]);
        });
    }

    /**
     * @param  list<HeldPiece>  $before
     * @param  list<PieceRef>  $adds
     * @param  list<PieceRef>  $takesOff
     * @return list<HeldPiece>
     */
    private function kept(Report $report, array $before, array $adds, array $takesOff): array
    {
        $key = fn (HeldPiece|PieceRef $one): string => $one->key();
        $stays = collect($before)->keyBy($key)->forget(array_map($key, $takesOff));
        $found = (new ClaimEvidence($report->review))->now($adds);
        $all = $stays->all();
        foreach ($adds as $one) {
            $all += array_intersect_key($found, [$one->key() => true]);
        }
        if (count($all) > self::MOST && $found !== []) {
            throw new Refused('A claim rests on '.self::MOST.' pieces of evidence at most: take one off first.');
        }

        return array_values($all);
    }
}

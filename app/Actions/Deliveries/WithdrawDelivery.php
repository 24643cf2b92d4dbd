<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Library\PublicationFromRecords;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Models\Delivery;
use App\Models\Publication;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Takes a delivery back: its records no longer count, and publications that came with it alone leave the review,
 * unless somebody has decided on them. The records themselves are kept, marked as withdrawn.
 */
final readonly class WithdrawDelivery
{
    public function __construct(private PublicationFromRecords $values, private WriteLog $log)
    {
    }

    public function execute(User $by, Delivery $delivery): WithdrawnDelivery
    {
        return DB::transaction(function () use ($by, $delivery): WithdrawnDelivery {
            Locks::recordsOf($delivery->review_id);
            $delivery = $delivery->locked();
            self::refuse($delivery);
            $review = $delivery->review_id;
            $kept = self::gather($delivery);
            $touched = array_column(DB::select('SELECT DISTINCT publication_id FROM withdrawn'), 'publication_id');
            $gone = self::takeOut($review, $touched);
            foreach (array_diff($touched, $gone) as $id) {
                $this->values->refresh(Publication::query()->where('review_id', $review)->whereKey($id)->firstOrFail());
            }
            $left = $delivery->records()->where('review_id', $review)->whereNull('withdrawn_at')->count();
            $delivery->update(['withdrawn_at' => now(), 'kept' => $left, 'file_hash' => null]);
            $words = "Withdrew the delivery from {$delivery->source_name}";
            $told = ['publications' => count($gone), 'records_kept' => $left];
            ($this->log)($review, $by, 'delivery.withdrawn', $words, $delivery, $told);

            return new WithdrawnDelivery(count($gone), $kept);
        });
    }

    private static function refuse(Delivery $delivery): void
    {
        if ($delivery->isUnderWay()) {
            throw new Refused('This delivery is still under way. Cancel it first.');
        }
        if ($delivery->withdrawn_at !== null) {
            throw new Refused('This delivery has been withdrawn.');
        }
    }

    /** Its records in a table of this transaction; those of publications that people have worked on stay: how many. */
    private static function gather(Delivery $delivery): int
    {
        DB::statement(
            'CREATE TEMPORARY TABLE withdrawn ON COMMIT DROP AS SELECT id, publication_id FROM records WHERE review_id = ? AND delivery_id = ? AND withdrawn_at IS NULL AND publication_id IS NOT NULL',
            [$delivery->review_id, $delivery->id],
        );

        return DB::delete(
            <<<'SQL'
            DELETE FROM withdrawn WHERE EXISTS (SELECT 1 FROM items JOIN decisions ON decisions.review_id = items.review_id AND decisions.item_id = items.id
                    WHERE items.review_id = ? AND (items.publication_id = withdrawn.publication_id OR items.publication_id IN (SELECT id FROM publications WHERE merged_into = withdrawn.publication_id)))
                OR EXISTS (SELECT 1 FROM answers WHERE answers.review_id = ? AND answers.publication_id = withdrawn.publication_id)
            SQL
            ,
            [$delivery->review_id, $delivery->review_id],
        );
    }

    /**
     * @param  list<string>  $touched  publications
     * @return list<string> those that nothing is left of
     */
    private static function takeOut(string $review, array $touched): array
    {
        DB::update(
            'UPDATE records SET withdrawn_at = now(), publication_id = NULL WHERE review_id = ? AND id IN (SELECT id FROM withdrawn)',
            [$review],
        );
        $gone = self::withoutRecords($review, $touched);
        $tables = ['publication_tags' => 'publication_id', 'items' => 'publication_id', 'publications' => 'id'];
        foreach ($tables as $table => $column) {
            DB::delete("DELETE FROM {$table} WHERE review_id = ? AND {$column} = ANY (?::bpchar[])", [
                $review,
                '{'.implode(',', $gone).'}',
            ]);
        }

        return $gone;
    }

    /**
     * @param  list<string>  $publications
     * @return list<string>
     */
    private static function withoutRecords(string $review, array $publications): array
    {
        $found = DB::select(
            'SELECT id FROM publications WHERE review_id = ? AND id = ANY (?::bpchar[]) AND NOT EXISTS (SELECT 1 FROM records WHERE records.review_id = publications.review_id AND records.publication_id = publications.id)',
            [$review, '{'.implode(',', $publications).'}'],
        );

        return array_column($found, 'id');
    }
}

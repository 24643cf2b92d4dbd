<?php

declare(strict_types=1);

namespace App\Jobs\Searches;

use App\Actions\Deliveries\TakeInRecords;
use App\Database\Plans;
use App\Jobs\Deliveries\DeliverySlice;
use App\Models\Delivery;
use App\Sources\Page;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Reference;

/** Fetches the records of a search in batches of the size that the source allows. */
final class FetchRecords extends DeliverySlice
{
    protected const QUEUE = 'sources';

    private const RETRIES = 4;

    public function handle(TakeInRecords $takeIn, Sources $sources): void
    {
        $delivery = $this->begin();
        if ($delivery === null) {
            return;
        }
        $source = $sources->get($delivery->source_key ?? throw new \LogicException('A fetch has a source.'));
        $deadline = $this->deadline();
        while ($delivery->position < $delivery->expected) {
            if ($this->isCancelled($delivery)) {
                $this->cancelled($delivery);

                return;
            }
            if (microtime(true) > $deadline) {
                $this->goOn($delivery);
                Plans::knowTables();

                return;
            }
            try {
                $page = $source->page((string) $delivery->query_sent, $delivery->position + 1, $source->batch());
            } catch (SourceFailed $failed) {
                $this->tryLater($delivery, $failed);

                return;
            }
            $problem = self::problem($delivery, $page);
            if ($problem !== null) {
                $this->end($delivery, 'failed', $problem);

                return;
            }
            $read = array_slice($page->records, 0, $delivery->expected - $delivery->position);
            $wanted = $delivery->only_new ? $this->withoutKnown($delivery, $read) : $read;
            $delivery = $takeIn->execute($delivery->id, $delivery->position, $wanted, count($read) - count($wanted));
            $this->progress($delivery, $delivery->expected);
        }
        $passed = $delivery->passed_over > 0
            ? ' Fetched before and passed over: '.number_format($delivery->passed_over).'.'
            : '';
        $this->end($delivery, 'done', $this->outcome($delivery).$passed);
        Plans::knowTables();
    }

    private static function problem(Delivery $delivery, Page $page): ?string
    {
        if ($page->total === $delivery->expected) {
            return $page->records !== []
                ? null
                : "The source sent no records after number {$delivery->position}. What was fetched before is kept.";
        }
        [$now, $before] = [number_format($page->total), number_format((int) $delivery->expected)];
        $kept = number_format($delivery->kept);

        return "The source now counts {$now} records instead of {$before}. {$kept} fetched before are kept; "
            .'count again and fetch anew.';
    }

    /**
     * Leaves out what an earlier delivery from this source brought.
     *
     * @param  list<Reference|UnreadableRecord>  $records
     * @return list<Reference|UnreadableRecord>
     */
    private function withoutKnown(Delivery $delivery, array $records): array
    {
        $numbers = array_filter(
            array_map(fn (object $one): string => $one instanceof Reference ? $one->accession : '', $records),
            fn (string $number): bool => $number !== '',
        );
        $known = array_column(
            DB::select(
                <<<'SQL'
                SELECT DISTINCT r.reference->>'accession' AS accession FROM records r JOIN deliveries d ON d.id = r.delivery_id
                WHERE r.review_id = ? AND d.source_key = ? AND d.id <> ? AND r.reference->>'accession' IN (SELECT jsonb_array_elements_text(?::jsonb))
                SQL
                ,
                [
                    $delivery->review_id,
                    $delivery->source_key,
                    $delivery->id,
                    json_encode(array_values($numbers), JSON_THROW_ON_ERROR),
                ],
            ),
            'accession',
        );
        $known = array_flip($known);

        return array_values(
            array_filter(
                $records,
                fn (object $one): bool => ! ($one instanceof Reference && isset($known[$one->accession])),
            ),
        );
    }

    private function tryLater(Delivery $delivery, SourceFailed $failed): void
    {
        $failures = $this->failures + 1;
        if (! $failed->mayPass || $failures > self::RETRIES) {
            $this->end(
                $delivery,
                'failed',
                "{$failed->getMessage()} ".
                    number_format($delivery->kept).
                    ' records fetched before are kept; go on when the source answers again.',
            );

            return;
        }
        $delivery->task->update(['message' => "{$failed->getMessage()} Trying again in a moment."]);
        TaskRun::layDown((string) $delivery->task_id);
        $next = new self($this->deliveryId, $delivery->task_id);
        $next->failures = $failures;
        dispatch($next)->delay(2 ** $failures);
    }

    public int $failures = 0;
}

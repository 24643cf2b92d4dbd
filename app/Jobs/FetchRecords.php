<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Records\TakeInRecords;
use App\Models\Delivery;
use App\Sources\SourceFailed;
use App\Sources\Sources;

/** Fetches the records of a search in batches of the size that the source allows. */
final class FetchRecords extends TaskSlice
{
    private const RETRIES = 4;

    public function handle(TakeInRecords $takeIn, Sources $sources): void
    {
        $delivery = $this->begin();
        if ($delivery === null) {
            return;
        }
        $source = $sources->get($delivery->search->source ?? throw new \LogicException('A fetch belongs to a search.'));
        $deadline = $this->deadline();
        while ($delivery->position < $delivery->expected) {
            if ($this->isCancelled($delivery)) {
                $this->end($delivery, 'stopped', 'Cancelled. '.number_format($delivery->kept).' records that were fetched before are kept.');

                return;
            }
            if (microtime(true) > $deadline) {
                self::dispatch($this->deliveryId);

                return;
            }
            try {
                $page = $source->page((string) $delivery->query_sent, $delivery->position + 1, $source->batch());
            } catch (SourceFailed $failed) {
                $this->tryLater($delivery, $failed);

                return;
            }
            $problem = match (true) {
                $page->total !== $delivery->expected => 'The source now counts '.number_format($page->total).' records instead of '.number_format((int) $delivery->expected).'. '.number_format($delivery->kept).' fetched before are kept; count again and fetch anew.',
                $page->records === [] => "The source sent no records after number {$delivery->position}. What was fetched before is kept.",
                default => null,
            };
            if ($problem !== null) {
                $this->end($delivery, 'failed', $problem);

                return;
            }
            $delivery = $takeIn->execute($delivery->id, $delivery->position, array_slice($page->records, 0, $delivery->expected - $delivery->position));
            $this->progress($delivery, $delivery->expected);
        }
        $this->end($delivery, 'done', $this->outcome($delivery));
    }

    private function tryLater(Delivery $delivery, SourceFailed $failed): void
    {
        $failures = $this->failures + 1;
        if (! $failed->mayPass || $failures > self::RETRIES) {
            $this->end($delivery, 'failed', "{$failed->getMessage()} ".number_format($delivery->kept).' records fetched before are kept; go on when the source answers again.');

            return;
        }
        $delivery->task->update(['message' => "{$failed->getMessage()} Trying again in a moment."]);
        $next = new self($this->deliveryId);
        $next->failures = $failures;
        dispatch($next)->delay(2 ** $failures);
    }

    public int $failures = 0;
}

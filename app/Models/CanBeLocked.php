<?php

declare(strict_types=1);

namespace App\Models;

use Closure;
use Illuminate\Support\Facades\DB;

/** A row that others wait for until the transaction at hand is over. */
trait CanBeLocked
{
    /**
     * The row as it is now, which may be otherwise than it was read before.
     *
     * @throws \Illuminate\Database\Eloquent\ModelNotFoundException If it is gone.
     */
    public function locked(string ...$with): static
    {
        return $this->setKeysForSelectQuery($this->newQuery())->with($with)->lockForUpdate()->firstOrFail();
    }

    /** Locks it where only the others matter: what is at hand stays as it was read. */
    public function lock(): void
    {
        $this->setKeysForSelectQuery($this->newQuery())->lockForUpdate()->first();
    }

    /**
     * Does something in one transaction while others wait.
     *
     * @template T
     *
     * @param  Closure(): T  $do
     * @return T
     */
    public function whileLocked(Closure $do): mixed
    {
        return DB::transaction(function () use ($do): mixed {
            $this->lock();

            return $do();
        });
    }
}

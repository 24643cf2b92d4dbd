<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Session\DatabaseSessionHandler;

/**
 * Sessions in the database, written when they have changed or are a minute old: a row written for each decision is one
 * of its dearer parts.
 */
final class SessionRows extends DatabaseSessionHandler
{
    private const SECONDS = 60;

    private ?string $read = null;

    private int $writtenAt = 0;

    public function read($sessionId): string
    {
        $session = (object) $this->getQuery()->find($sessionId);
        $this->writtenAt = (int) ($session->last_activity ?? 0);
        $this->exists = isset($session->payload);
        $this->read =
            $this->exists && ! $this->expired($session) ? (string) base64_decode((string) $session->payload) : null;

        return $this->read ?? '';
    }

    public function write($sessionId, $data): bool
    {
        return ($this->read === $data && $this->currentTime() - $this->writtenAt < self::SECONDS) ||
            parent::write($sessionId, $data);
    }
}

<?php

declare(strict_types=1);

namespace App\Notices;

use App\Models\User;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Notifications\Notification;

/** One notice, in the application and by mail as far as the person wants it. */
final class Notice extends Notification implements ShouldQueue
{
    use Queueable;

    public function __construct(
        public readonly NoticeKind $kind,
        public readonly string $reviewId,
        public readonly string $review,
        public readonly string $text,
        public readonly string $url,
    ) {
        $this->afterCommit();
    }

    /** @return list<string> */
    public function via(User $to): array
    {
        return array_values(
            array_filter(
                ['database', 'mail'],
                fn (string $way): bool => $to->wants($this->kind, $way === 'mail' ? 'mail' : 'app'),
            ),
        );
    }

    /** @return array<string, string> here at once, so that nobody is told twice; letters are sent in the background */
    public function viaConnections(): array
    {
        return ['database' => 'sync'];
    }

    /** @return array<string, string> */
    public function toArray(User $to): array
    {
        return [
            'kind' => $this->kind->value,
            'review_id' => $this->reviewId,
            'review' => $this->review,
            'text' => $this->text,
            'url' => $this->url,
        ];
    }

    public function toMail(User $to): PlainLetter
    {
        return (new PlainLetter("{$this->review}: {$this->text}", [
            $this->text,
            url($this->url),
            'Which notices you get, and how, is set under your account.',
        ]))->to($to->email);
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Team;

use App\Access\Role;
use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\StagePurpose;

final readonly class CreateReview
{
    private const STAGES = [
        ['position' => 1, 'name' => 'Title and abstract', 'purpose' => StagePurpose::TitleAbstract],
        ['position' => 2, 'name' => 'Full text', 'purpose' => StagePurpose::FullText, 'reasons_must_agree' => true],
    ];

    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, string $title, string $question): Review
    {
        return DB::transaction(function () use ($by, $title, $question): Review {
            $review = Review::query()->create(['title' => $title, 'question' => $question, 'created_by' => $by->id]);
            $review->memberships()->create(['user_id' => $by->id, 'role' => Role::Lead]);
            $review->stages()->createMany(self::STAGES);
            ($this->log)($review, $by, 'review.created', "Started the review “{$title}”", $review);

            return $review;
        });
    }
}

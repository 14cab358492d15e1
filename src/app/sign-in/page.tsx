import { shopContext } from '@/server/instance';
import { door } from '@/server/sign-in/signIn';
import { Door } from '@/ui/sign-in/Door';

export const dynamic = 'force-dynamic';

export default function SignInPage() {
  return <Door {...door(shopContext())} />;
}

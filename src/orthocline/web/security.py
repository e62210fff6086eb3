"""What guards every request: content policy, forged forms, and too many tries."""

from flask_limiter import Limiter
from flask_limiter.util import get_remote_address
from flask_wtf import CSRFProtect

CONTENT_SECURITY_POLICY = {
    "default-src": "'self'",
    "img-src": "'self'",
    "object-src": "'none'",
    "base-uri": "'none'",
    "form-action": "'self'",
    "frame-ancestors": "'none'",
}
SIGN_IN_LIMIT = "10 per minute"

csrf = CSRFProtect()
limiter = Limiter(get_remote_address)
